<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

/**
 * Something about a page that is worth a look.
 *
 * @phpstan-import-type MendData from Mend
 *
 * @phpstan-type FindingData array{words: string, labels: list<int>, x: ?int, y: ?int, mend: ?MendData}
 */
final readonly class Finding
{
    /**
     * @param  string  $words  what it is, short, with its number: "12 px"
     * @param  list<int>  $labels  the regions it is about
     * @param  ?int  $x  a pixel of it; null: it has no place
     * @param  ?int  $y  a pixel of it
     * @param  float  $amount  how much, for the order: pixels, or a difference of colours
     * @param  ?Mend  $mend  what does away with this one
     */
    public function __construct(
        public string $words,
        public array $labels,
        public ?int $x,
        public ?int $y,
        public float $amount,
        public ?Mend $mend = null,
    ) {
    }

    /**
     * @param  list<self>  $findings
     * @return list<self>
     */
    public static function largestFirst(array $findings): array
    {
        usort($findings, fn (self $a, self $b): int => $b->amount <=> $a->amount);

        return $findings;
    }

    /** @return FindingData */
    public function toData(): array
    {
        return [
            'words' => $this->words,
            'labels' => $this->labels,
            'x' => $this->x,
            'y' => $this->y,
            'mend' => $this->mend?->toData(),
        ];
    }
}
