<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Page\Bounds;

/** One tone of a palette, with where it stands. */
final readonly class PaletteRow
{
    /**
     * @param  int  $line  of the file it was read from
     * @param  string  $called  what a tone beside the six is called
     */
    public function __construct(
        public string $figure,
        public string $material,
        public Tone $tone,
        public Rgb $colour,
        public bool $isDerived = false,
        public int $line = 0,
        public string $called = '',
    ) {
    }

    /**
     * Where names of groups lead: the last may be a tone's, the one before is the material's, all others the figure's.
     *
     * @param  list<string>  $path
     */
    public static function at(array $path, Rgb $colour, bool $isDerived, int $line, string $called = ''): self
    {
        $tone = count($path) > 1 ? Tone::tryFrom(strtolower($path[count($path) - 1])) : null;
        if ($tone !== null) {
            array_pop($path);
        }
        $material = (string) array_pop($path);

        return new self(
            figure: self::name(implode(' / ', $path), $line),
            material: self::name($material, $line),
            tone: $tone ?? Tone::Base,
            colour: $colour,
            isDerived: $isDerived,
            line: $line,
            called: $tone?->isMore() === true ? self::name($called, $line) : '',
        );
    }

    /** @throws BrokenPalette when it is no name */
    public static function name(string $name, int $line): string
    {
        if (! mb_check_encoding($name, 'UTF-8')) {
            throw BrokenPalette::at($line, 'a name is not in UTF-8. Save the file as UTF-8 and read it again.');
        }
        $name = trim((string) preg_replace(['/\s+/u', Bounds::NOT_IN_NAMES], ' ', $name));
        if (mb_strlen($name) > PaletteMaterial::LONGEST_NAME) {
            throw BrokenPalette::at(
                $line,
                sprintf(
                    "a name has more than %d characters: '%s…'. Shorten it.",
                    PaletteMaterial::LONGEST_NAME,
                    mb_substr($name, 0, 24),
                ),
            );
        }

        return $name;
    }

    public function title(): string
    {
        $parts = array_filter([$this->figure, $this->material], fn (string $part): bool => $part !== '');

        return implode(
            ' / ',
            $this->figure === '' && $this->tone === Tone::Base
                ? $parts
                : [...$parts, $this->called !== '' ? $this->called : $this->tone->value],
        );
    }
}
