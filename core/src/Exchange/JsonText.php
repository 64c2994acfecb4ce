<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

/** JSON (RFC 8259) that knows in which line what stands: of an error, and of each member. */
final class JsonText
{
    private const TOKEN = '~[ \t\r\n]*+(?:([{}\[\],:])|("(?:[^"\\\\\x00-\x1f]|\\\\(?:["\\\\/bfnrt]|u[0-9a-fA-F]{4}))*+")|(-?(?:0|[1-9]\d*+)(?:\.\d++)?(?:[eE][+-]?\d++)?|true|false|null)(?![\w.]))~A';

    private const DEEPEST = 32;

    private int $at = 0;

    /** @var array<string, int> byte of each member's name, by its path */
    private array $places = [];

    private function __construct(private readonly string $text)
    {
    }

    /**
     * @return array{array<mixed>, self}
     *
     * @throws BrokenPalette with the line that is wrong
     */
    public static function read(string $text): array
    {
        $json = new self($text);
        $json->value($json->token(), []);
        if (trim(substr($text, $json->at)) !== '') {
            throw $json->broken();
        }
        $data = json_decode($text, true, self::DEEPEST + 2);

        return is_array($data) ? [$data, $json] : throw BrokenPalette::at(1, 'this is no object with colours in it.');
    }

    /** @param  list<string>  $path  names of members */
    public function line(array $path): int
    {
        return 1 + substr_count($this->text, "\n", 0, $this->places[self::key($path)] ?? 0);
    }

    /**
     * @param  string  $token  the first of the value
     * @param  list<string>  $path
     */
    private function value(string $token, array $path): void
    {
        if (count($path) > self::DEEPEST) {
            throw BrokenPalette::at(
                $this->lineHere(),
                'groups lie too deep in each other. A palette has figures, materials and tones.',
            );
        }
        match (true) {
            $token === '{' => $this->members($path),
            $token === '[' => $this->items($path),
            strpbrk($token[0], '}],:') !== false => throw $this->broken(),
            default => null,
        };
    }

    /** @param  list<string>  $path */
    private function members(array $path): void
    {
        $token = $this->token();
        while ($token !== '}') {
            if ($token[0] !== '"') {
                throw $this->broken();
            }
            $member = json_decode($token);
            $name = [...$path, is_string($member) ? $member : throw $this->broken()];
            $this->places[self::key($name)] = $this->at - strlen($token);
            if ($this->token() !== ':') {
                throw $this->broken();
            }
            $this->value($this->token(), $name);
            $token = $this->next('}');
        }
    }

    /** @param  list<string>  $path */
    private function items(array $path): void
    {
        $token = $this->token();
        while ($token !== ']') {
            $this->value($token, [...$path, '[]']);
            $token = $this->next(']');
        }
    }

    /** @return string what follows a comma, or the end */
    private function next(string $end): string
    {
        $token = $this->token();
        if ($token === $end) {
            return $token;
        }
        $next = $token === ',' ? $this->token() : throw $this->broken();

        return $next !== $end ? $next : throw $this->broken();
    }

    private function token(): string
    {
        if (preg_match(self::TOKEN, $this->text, $match, 0, $this->at) !== 1) {
            $this->at += strspn($this->text, " \t\r\n", $this->at);

            throw $this->broken();
        }
        $this->at += strlen($match[0]);

        return ltrim($match[0], " \t\r\n");
    }

    private function broken(): BrokenPalette
    {
        $here = (string) preg_replace('/[^\x20-\x7e]+/', ' ', substr($this->text, $this->at, 24));

        return BrokenPalette::at(
            $this->lineHere(),
            'this is not JSON'.
                (trim($here) === '' ? '; the file ends too early.' : ", at or before '".trim($here)."'.").
                ' Export it again.',
        );
    }

    private function lineHere(): int
    {
        return 1 + substr_count($this->text, "\n", 0, min($this->at, strlen($this->text)));
    }

    /** @param  list<string>  $path */
    private static function key(array $path): string
    {
        return implode("\0", $path);
    }
}
