<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Regions that lie behind and around a figure, and how much each of them counts. What takes its colour from them
 * follows when they are filled otherwise, or their materials change. The browser's
 * resources/js/picture/surroundings.ts mixes the same colour.
 *
 * @phpstan-type SurroundingsData list<array{int, int}>
 */
final readonly class Surroundings
{
    /** Regions that are kept at the most: those that count most. */
    public const MOST = 48;

    /** What the shares of all of them add up to, about. */
    public const WHOLE = 1000;

    /** @param  non-empty-array<int, int>  $shares  by label, 1..1000 each */
    public function __construct(public array $shares)
    {
        Bounds::whole('number of regions around', count($shares), 1, self::MOST);
        foreach ($shares as $label => $share) {
            Bounds::whole('label', $label, 1, 65535);
            Bounds::whole('share', $share, 1, self::WHOLE);
        }
    }

    /**
     * @param  array<int, float>  $weights  by label
     * @return ?self null: none of them counts
     */
    public static function of(array $weights): ?self
    {
        arsort($weights);
        $weights = array_slice($weights, 0, self::MOST, true);
        $sum = array_sum($weights);
        $shares = $sum <= 0
            ? []
            : array_filter(
                array_map(fn (float $weight): int => (int) round((self::WHOLE * $weight) / $sum), $weights),
                fn (int $share): bool => $share > 0,
            );

        return $shares === [] ? null : new self($shares);
    }

    public static function fromData(Data $data): self
    {
        $shares = [];
        foreach ($data->list('around', self::MOST) as $pair) {
            if (! is_array($pair) || ! is_int($pair[0] ?? null) || ! is_int($pair[1] ?? null)) {
                throw new \InvalidArgumentException('What lies around a figure is a list of labels and shares.');
            }
            $shares[$pair[0]] = $pair[1];
        }

        return $shares === []
            ? throw new \InvalidArgumentException('At least one region lies around a figure.')
            : new self($shares);
    }

    /** @return SurroundingsData */
    public function toData(): array
    {
        $labels = array_keys($this->shares);

        return array_map(fn (int $label, int $share): array => [$label, $share], $labels, $this->shares);
    }

    /**
     * The mean of their colours in Oklab, each by its share.
     *
     * @param  callable(int): ?Rgb  $colour  of a label; null: it is gone or unfilled, and does not count
     * @return ?Rgb null: none of them has a colour
     */
    public function colour(callable $colour): ?Rgb
    {
        $weighted = [];
        foreach ($this->shares as $label => $share) {
            $found = $colour($label);
            if ($found !== null) {
                $weighted[] = [$found, $share];
            }
        }

        return Oklab::mean($weighted);
    }
}
