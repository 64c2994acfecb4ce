<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Rgb;

/**
 * The Design Tokens Community Group's format: color tokens, in groups for figures and materials. What a token may not
 * be called is kept beside it in `$extensions`. A derived tone is an alias of its value in the group `derived`, so that
 * what is pinned can be told from what is not.
 *
 * @phpstan-type Token array<string, mixed>
 */
final class DesignTokens implements PaletteFormat
{
    private const DERIVED = 'derived';

    private const NAME = 'awning.name';

    /** So long a chain of tokens is followed: more would let a small file cost much time. */
    private const MOST_ALIASES = 1000;

    public function write(PaletteBook $book): string
    {
        $root = ['$description' => 'A palette: figures, their materials, their tones from dark to light.'];
        $values = ['$description' => 'Tones worked out by the rule; the figures refer to them.'];
        $taken = [self::DERIVED => true];
        foreach ($book->figures as $figure) {
            $group = self::name($figure->name, $taken);
            $materials = $derived = $names = [];
            foreach ($figure->materials as $material) {
                $name = self::name($material->name, $names);
                $materials[$name] = self::called($name, $material->name);
                foreach ($material->tones as $tone => $colour) {
                    $called = isset($material->more[$tone]) ? ['$description' => $material->more[$tone]] : [];
                    $materials[$name][$tone] = $called + [
                        '$value' => $material->isDerived($tone)
                            ? sprintf('{%s.%s.%s.%s}', self::DERIVED, $group, $name, $tone)
                            : self::value($colour),
                    ];
                    if ($material->isDerived($tone)) {
                        $derived[$name][$tone] = ['$value' => self::value($colour)];
                    }
                }
            }
            $root[$group] = ['$type' => 'color'] + self::called($group, $figure->name) + $materials;
            if ($derived !== []) {
                $values[$group] = ['$type' => 'color'] + $derived;
            }
        }

        return json_encode(
            $root + (count($values) > 1 ? [self::DERIVED => $values] : []),
            JSON_PRETTY_PRINT |
                JSON_UNESCAPED_UNICODE |
                JSON_UNESCAPED_SLASHES |
                JSON_PRESERVE_ZERO_FRACTION |
                JSON_THROW_ON_ERROR,
        )."\n";
    }

    public function read(string $text): PaletteBook
    {
        [$root, $json] = JsonText::read($text);
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new BrokenPalette('This file is not in UTF-8. Save it as UTF-8 and read it again.');
        }

        return PaletteBook::ofRows($this->rows($root, $root, $json, [], [], null));
    }

    /**
     * @param  array<mixed>  $root
     * @param  array<mixed>  $group
     * @param  list<string>  $path  as the file has it
     * @param  list<string>  $names  as they are meant
     * @return \Generator<PaletteRow>
     */
    private function rows(
        array $root,
        array $group,
        JsonText $json,
        array $path,
        array $names,
        ?string $type,
    ): \Generator {
        $type = is_string($group['$type'] ?? null) ? $group['$type'] : $type;
        foreach ($group as $key => $member) {
            $here = [...$path, (string) $key];
            if (str_starts_with((string) $key, '$') || ! is_array($member) || $here === [self::DERIVED]) {
                continue;
            }
            $named = [...$names, self::meant($member, (string) $key)];
            if (! array_key_exists('$value', $member)) {
                yield from $this->rows($root, $member, $json, $here, $named, $type);
            } elseif (($member['$type'] ?? ($type ?? 'color')) === 'color') {
                $value = $member['$value'];
                yield PaletteRow::at(
                    $named,
                    $this->colour($root, $value, $json, $here),
                    is_string($value) && str_starts_with($value, '{'.self::DERIVED.'.'),
                    $json->line($here),
                    is_string($member['$description'] ?? null) ? $member['$description'] : '',
                );
            }
        }
    }

    /** @param  array<mixed>  $member */
    private static function meant(array $member, string $key): string
    {
        $extensions = $member['$extensions'] ?? null;
        $name = is_array($extensions) ? $extensions[self::NAME] ?? null : null;

        return is_string($name) ? $name : $key;
    }

    /**
     * @param  array<mixed>  $root
     * @param  list<string>  $path
     */
    private function colour(array $root, mixed $value, JsonText $json, array $path): Rgb
    {
        $title = implode('.', $path);
        for (
            $followed = [];
            is_string($value) && preg_match('/^\{(.+)\}$/sD', $value, $match) === 1;
            $followed[$match[1]] = true
        ) {
            if (isset($followed[$match[1]])) {
                throw BrokenPalette::at(
                    $json->line($path),
                    "'$title' refers to itself in a circle. Give one of the tokens a colour.",
                );
            }
            if (count($followed) >= self::MOST_ALIASES) {
                throw BrokenPalette::at(
                    $json->line($path),
                    sprintf(
                        "'%s' refers to a colour by way of more than %d other tokens. Give it a colour of its own.",
                        $title,
                        self::MOST_ALIASES,
                    ),
                );
            }
            $value =
                self::token($root, explode('.', $match[1])) ??
                throw BrokenPalette::at(
                    $json->line($path),
                    "'$title' refers to '$match[1]', and there is no such token.",
                );
        }

        return self::srgb($value) ??
            throw BrokenPalette::at(
                $json->line($path),
                "the colour of '$title' cannot be read. Write it in sRGB, with three components of 0 to 1, or as six hexadecimal digits.",
            );
    }

    /**
     * @param  array<mixed>  $group
     * @param  list<string>  $path
     */
    private static function token(array $group, array $path): mixed
    {
        foreach ($path as $name) {
            $group = $group[$name] ?? null;
            if (! is_array($group)) {
                return null;
            }
        }

        return $group['$value'] ?? null;
    }

    private static function srgb(mixed $value): ?Rgb
    {
        if (is_string($value)) {
            return preg_match('/^#[0-9a-f]{6}(ff)?$/iD', $value) === 1 ? Rgb::fromHex(substr($value, 0, 7)) : null;
        }
        if (
            ! is_array($value) ||
            ($value['colorSpace'] ?? null) !== 'srgb' ||
            ! is_array($value['components'] ?? null) ||
            ($value['alpha'] ?? 1) != 1
        ) {
            return null;
        }
        $parts = array_values($value['components']);
        foreach ($parts as $part) {
            if ((! is_int($part) && ! is_float($part)) || ! ($part >= 0 && $part <= 1)) {
                return null;
            }
        }

        return count($parts) === 3 ? Rgb::fromUnit((float) $parts[0], (float) $parts[1], (float) $parts[2]) : null;
    }

    /** @return array{colorSpace: string, components: array{float, float, float}, hex: string} */
    private static function value(Rgb $colour): array
    {
        [$red, $green, $blue] = $colour->unit();

        return [
            'colorSpace' => 'srgb',
            'components' => [round($red, 5), round($green, 5), round($blue, 5)],
            'hex' => $colour->hex(),
        ];
    }

    /**
     * A name a token may have: not empty, no $ in front, no braces, no full stop; and not twice.
     *
     * @param  array<string, bool>  $taken
     */
    private static function name(string $name, array &$taken): string
    {
        $allowed = ltrim(strtr($name, ['.' => '·', '{' => '(', '}' => ')']), '$');
        $allowed = $allowed === '' || ctype_digit($allowed) ? rtrim("colours $allowed") : $allowed;
        for ($free = $allowed, $n = 2; isset($taken[$free]); $n++) {
            $free = "$allowed ($n)";
        }
        $taken[$free] = true;

        return $free;
    }

    /** @return array<string, array<string, string>> what it is called when a token may not be */
    private static function called(string $name, string $meant): array
    {
        return $name === $meant ? [] : ['$extensions' => [self::NAME => $meant]];
    }
}
