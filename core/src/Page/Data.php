<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Raster\Labels;

/**
 * Reads plain data that came from outside (a request, a row, a journal) value by value. Whatever is missing or out of
 * bounds is an InvalidArgumentException whose message a person can act on.
 */
final readonly class Data
{
    /** The longest name a person may give, in characters. */
    public const NAME = 60;

    /** @param  array<array-key, mixed>  $values */
    public function __construct(private array $values)
    {
    }

    public function has(string $name): bool
    {
        return isset($this->values[$name]);
    }

    /**
     * The same under the names that values have by now.
     *
     * @param  array<string, string>  $names  the present one by the earlier one; of a value under both the present one
     *     counts
     */
    public function renamed(array $names): self
    {
        $values = $this->values;
        foreach ($names as $earlier => $name) {
            if (array_key_exists($earlier, $values)) {
                $values += [$name => $values[$earlier]];
                unset($values[$earlier]);
            }
        }

        return new self($values);
    }

    /** @return list<string> the names there are */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->values));
    }

    public function int(string $name, int $least, int $most, ?int $default = null): int
    {
        $value = $this->values[$name] ?? $default;

        return is_int($value)
            ? Bounds::whole($name, $value, $least, $most)
            : throw Bounds::notWhole($name, $least, $most);
    }

    /** A whole number, or nothing. */
    public function intOrNull(string $name, int $least, int $most): ?int
    {
        return $this->has($name) ? $this->int($name, $least, $most) : null;
    }

    public function number(string $name, float $least, float $most, ?float $default = null): float
    {
        $value = $this->values[$name] ?? $default;

        return is_int($value) || is_float($value)
            ? Bounds::number($name, (float) $value, $least, $most)
            : throw Bounds::notNumber($name, $least, $most);
    }

    public function flag(string $name, bool $default): bool
    {
        $value = $this->values[$name] ?? $default;

        return is_bool($value) ? $value : throw new \InvalidArgumentException("The $name is either true or false.");
    }

    public function text(string $name, string $default = ''): string
    {
        $value = $this->values[$name] ?? $default;

        return is_string($value) ? $value : throw new \InvalidArgumentException("The $name is a text.");
    }

    /** A name a person gave: one line of 1 to 60 characters. */
    public function name(string $name, string $what): string
    {
        return Bounds::name(trim($this->text($name)), $what);
    }

    /** The name of a pass or group, made by the client: 6 to 24 small letters and digits. */
    public function id(string $name): string
    {
        return Bounds::id($this->values[$name] ?? null);
    }

    /** @return list<string> */
    public function ids(string $name, int $most): array
    {
        return array_map(Bounds::id(...), $this->list($name, $most));
    }

    /** @return list<mixed> */
    public function list(string $name, int $most): array
    {
        $value = $this->values[$name] ?? [];
        if (! is_array($value) || ! array_is_list($value) || count($value) > $most) {
            throw new \InvalidArgumentException("The $name are a list of at most $most.");
        }

        return $value;
    }

    /** @return list<int> numbers of regions */
    public function labels(string $name, int $most): array
    {
        $label = fn (mixed $value): int => is_int($value) && $value > 0 && $value <= Labels::MOST
            ? $value
            : throw new \InvalidArgumentException('A region is named by its number.');

        return array_map($label, $this->list($name, $most));
    }

    /**
     * A place as a pair of numbers.
     *
     * @param  string  $otherwise  what to say when it is no pair
     * @return array{float, float} x and y
     */
    public static function place(mixed $pair, float $least, float $most, string $otherwise): array
    {
        if (! is_array($pair) || ! array_is_list($pair) || count($pair) !== 2) {
            throw new \InvalidArgumentException($otherwise);
        }
        $at = new self(['x' => $pair[0], 'y' => $pair[1]]);

        return [$at->number('x', $least, $most), $at->number('y', $least, $most)];
    }

    /** Data inside the data. */
    public function map(string $name): self
    {
        $value = $this->values[$name] ?? null;

        return is_array($value)
            ? new self($value)
            : throw new \InvalidArgumentException('The change is incomplete. Reload the page and try again.');
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     */
    public function choice(string $name, string $enum, string $otherwise, ?\BackedEnum $default = null): \BackedEnum
    {
        $value = $this->values[$name] ?? null;
        if ($value === null && $default instanceof $enum) {
            return $default;
        }

        return (is_string($value) ? $enum::tryFrom($value) : null) ?? throw new \InvalidArgumentException($otherwise);
    }

    /** These values, and where they say nothing, those. */
    public function over(self $those): self
    {
        return new self($this->values + $those->values);
    }

    /** @return array<array-key, mixed> */
    public function all(): array
    {
        return $this->values;
    }
}
