<?php

declare(strict_types=1);

namespace Tests\Mutation;

/**
 * Finds places where one operator, constant or call of a source file can be exchanged for another. Comments and texts
 * are left alone, and so are types and declarations.
 */
final class Mutator
{
    /** What is exchanged for what; the first that fits a place is taken. */
    private const EXCHANGES = [
        '/(?<= )<= /' => '< ',
        '/(?<= )>= /' => '> ',
        '/(?<= )< (?!=)/' => '<= ',
        '/(?<= )> (?!=)/' => '>= ',
        '/(?<= )=== /' => '!== ',
        '/(?<= )!== /' => '=== ',
        '/(?<= )&& /' => '|| ',
        '/(?<= )\|\| /' => '&& ',
        '/(?<= )<< /' => '>> ',
        '/(?<= )>> /' => '<< ',
        '/(?<= )\+ /' => '- ',
        '/(?<= )- /' => '+ ',
        '/(?<= )\* /' => '/ ',
        '/(?<= )\/ /' => '* ',
        '/(?<= )% /' => '* ',
        '/(?<= )\+= /' => '-= ',
        '/(?<= )-= /' => '+= ',
        '/\bmin\(/' => 'max(',
        '/\bmax\(/' => 'min(',
        '/\bfloor\(/' => 'ceil(',
        '/\bceil\(/' => 'floor(',
        '/\btrue\b/' => 'false',
        '/\bfalse\b/' => 'true',
        '/(?<![\w.$#"\'-])\d+(?:\.\d+)?(?![\w.x])/' => null,
        '/(?<=\()! ?(?=[$\w])/' => '',
        // A statement that only calls something is left out.
        '/^ +(?:\$this->|this\.|self::)[\w>.-]+\([^;{]*\);$/m' => '',
    ];

    /** Lines of these kinds say what something is, not what is done. */
    private const DECLARES = '/^\s*(namespace|use|import|export type|type|interface|final|abstract|(public |private |protected |static |readonly )*const|case \w+ =|declare|@|readonly \w+:|private readonly \w+:)/';

    /** @return list<Mutant> */
    public function mutants(string $path, string $source): array
    {
        $code = $this->withoutTexts($path, $source);
        $mutants = [];
        $taken = [];
        foreach (self::EXCHANGES as $pattern => $with) {
            preg_match_all($pattern, $code, $matches, PREG_OFFSET_CAPTURE);
            foreach ($matches[0] as [$text, $at]) {
                $line = $this->lineAt($code, $at);
                if (
                    isset($taken[$at]) ||
                    preg_match(self::DECLARES, $line) === 1 ||
                    preg_match('/^\s*\w+\??: [\w\[\]<>|, ]+;$/', $line) === 1
                ) {
                    continue;
                }
                $taken[$at] = true;
                $mutants[] = new Mutant(
                    $path,
                    $source,
                    $at,
                    $text,
                    $with ?? $this->otherNumber($text),
                    1 + substr_count($source, "\n", 0, $at),
                );
            }
        }

        return $mutants;
    }

    private function otherNumber(string $number): string
    {
        return str_contains($number, '.') ? (string) ((float) $number + 0.25) : (string) ((int) $number + 1);
    }

    private function lineAt(string $code, int $at): string
    {
        $from = (int) strrpos(substr($code, 0, $at), "\n");
        $to = strpos($code, "\n", $at);

        return substr($code, $from, ($to === false ? strlen($code) : $to) - $from);
    }

    /** The source with comments and texts blanked, every place where it was. */
    private function withoutTexts(string $path, string $source): string
    {
        $blank = fn (string $text): string => (string) preg_replace('/[^\n]/', '.', $text);
        if (! str_ends_with($path, '.php')) {
            return (string) preg_replace_callback(
                '#//[^\n]*|/\*.*?\*/|\'(?:[^\'\\\\\n]|\\\\.)*\'|`(?:[^`\\\\]|\\\\.)*`#s',
                fn (array $m): string => $blank($m[0]),
                $source,
            );
        }
        $code = '';
        foreach (token_get_all($source) as $token) {
            [$kind, $text] = is_array($token) ? $token : [0, $token];
            $code .= in_array(
                $kind,
                [T_COMMENT, T_DOC_COMMENT, T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE],
                true,
            )
                ? $blank($text)
                : $text;
        }

        return $code;
    }
}
