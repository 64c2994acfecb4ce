<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/**
 * Checks values against the bounds of a record. The constructors of records call it, so that no record exists that
 * could not be read again. Each method returns the value it was given.
 */
final class Bounds
{
    /**
     * Characters no name holds: control characters, line breaks, unassigned ones, and the marks that turn the direction
     * of writing, by which one name can be made to look like another (Unicode Technical Report 36, 2.5). Joiners stay:
     * scripts and emoji need them.
     */
    public const NOT_IN_NAMES = '/[\p{Cc}\p{Cs}\p{Co}\p{Cn}\x{061C}\x{200E}\x{200F}\x{2028}-\x{202E}\x{2066}-\x{2069}\x{FEFF}]/u';

    /** @throws \InvalidArgumentException when the value is out of bounds */
    public static function whole(string $name, int $value, int $least, int $most = PHP_INT_MAX): int
    {
        return $value >= $least && $value <= $most ? $value : throw self::notWhole($name, $least, $most);
    }

    public static function notWhole(string $name, int $least, int $most): \InvalidArgumentException
    {
        return new \InvalidArgumentException("The $name is a whole number from $least to $most.");
    }

    /** @throws \InvalidArgumentException when the value is out of bounds, infinite or not a number */
    public static function number(string $name, float $value, float $least, float $most): float
    {
        return is_finite($value) && $value >= $least && $value <= $most
            ? $value
            : throw self::notNumber($name, $least, $most);
    }

    public static function notNumber(string $name, float $least, float $most): \InvalidArgumentException
    {
        return new \InvalidArgumentException(ucfirst($name)." runs from $least to $most.");
    }

    /**
     * The id of a pass, group, drawing or line: 6 to 24 small letters and digits.
     *
     * @throws \InvalidArgumentException
     */
    public static function id(mixed $value): string
    {
        return is_string($value) && preg_match('/^[a-z0-9]{6,24}$/D', $value) === 1
            ? $value
            : throw new \InvalidArgumentException('A pass is named by 6 to 24 small letters and digits.');
    }

    /**
     * A name a person gave: one line of 1 to 60 characters, without blanks around it.
     *
     * @throws \InvalidArgumentException
     */
    public static function name(string $text, string $what, int $most = Data::NAME): string
    {
        if (
            trim($text) !== $text ||
            $text === '' ||
            mb_strlen($text) > $most ||
            preg_match(self::NOT_IN_NAMES, $text) !== 0
        ) {
            throw new \InvalidArgumentException("$what needs a name of 1 to $most characters.");
        }

        return $text;
    }

    /** A text without the characters that no name holds, and without blanks around it. */
    public static function shown(string $text): string
    {
        return trim((string) preg_replace(self::NOT_IN_NAMES, ' ', mb_scrub($text)));
    }

    /**
     * A name made of any text, such as that of a file.
     *
     * @param  string  $otherwise  the name when nothing of the text can be shown
     */
    public static function nameOf(string $text, string $otherwise): string
    {
        $shown = self::shown($text);

        return $shown === '' ? $otherwise : trim(mb_substr($shown, 0, Data::NAME));
    }

    /** @throws \InvalidArgumentException when the text is not #rrggbb in small letters */
    public static function colour(string $text): string
    {
        return preg_match('/^#[0-9a-f]{6}$/D', $text) === 1
            ? $text
            : throw new \InvalidArgumentException('A colour is written like #4a8fe0.');
    }
}
