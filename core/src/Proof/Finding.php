<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

/**
 * Something about a page that is worth a look, with a place on it.
 *
 * @phpstan-type FindingData array{kind: value-of<FindingKind>, labels: list<int>, x: int, y: int, amount: float}
 */
final readonly class Finding
{
    /**
     * @param  list<int>  $labels  the regions it is about
     * @param  int  $x  a pixel of it
     * @param  int  $y  a pixel of it
     * @param  float  $amount  how much: pixels, or the difference of two colours (CIEDE2000)
     */
    public function __construct(public FindingKind $kind, public array $labels, public int $x, public int $y, public float $amount)
    {
    }

    /** @return FindingData */
    public function toData(): array
    {
        return ['kind' => $this->kind->value, 'labels' => $this->labels, 'x' => $this->x, 'y' => $this->y, 'amount' => round($this->amount, 2)];
    }
}
