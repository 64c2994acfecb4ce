<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Lines drawn, drawn anew, or taken away: one by the hand, several by the mirror, many that were picked.
 *
 * @phpstan-import-type InkStrokeData from InkStroke
 *
 * @phpstan-type DrawnData array{id: string, stroke: ?InkStrokeData}
 * @phpstan-type DrawInkInput array{strokes: list<DrawnData>}
 */
final readonly class DrawInk implements ClientOp
{
    private const MOST = 500;

    private const MOST_POINTS = 60_000;

    /** @param  non-empty-array<string, ?InkStroke>  $strokes  by id; null takes one away */
    public function __construct(private array $strokes)
    {
        if (
            array_sum(array_map(fn (?InkStroke $stroke): int => count($stroke->points ?? []), $strokes)) >
            self::MOST_POINTS
        ) {
            throw new \RangeException('These are too many lines at once. Pick fewer.');
        }
    }

    public static function kind(): string
    {
        return 'ink.draw';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $strokes = [];
        foreach ($input->list('strokes', self::MOST) as $drawn) {
            $drawn = new Data(is_array($drawn) ? $drawn : []);
            $strokes[$drawn->id('id')] = $drawn->has('stroke') ? InkStroke::fromData($drawn->map('stroke')) : null;
        }

        return new self(
            $strokes === [] ? throw new \InvalidArgumentException('There is no line in it. Draw again.') : $strokes,
        );
    }

    /** @return DrawInkInput */
    public function toInput(): array
    {
        return [
            'strokes' => array_map(
                fn (string $id): array => ['id' => $id, 'stroke' => $this->strokes[$id]?->toData()],
                array_map(strval(...), array_keys($this->strokes)),
            ),
        ];
    }

    public function title(): string
    {
        $removed = count(array_filter($this->strokes, fn (?InkStroke $stroke): bool => $stroke === null));

        return match (true) {
            $removed === 0 => count($this->strokes) === 1 ? 'Ink a line' : 'Ink lines',
            $removed === count($this->strokes) => $removed === 1 ? 'Delete a line' : 'Delete lines',
            default => 'Change lines',
        };
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $ink = new InkLayers($sheet);
        $before = [];
        foreach ($this->strokes as $id => $stroke) {
            $old = $sheet->find(InkStroke::class, $id);
            if ($old === null && $stroke === null) {
                throw new OpRefused('This line is gone already. Reload the page.');
            }
            if ($stroke === null) {
                $sheet->remove(InkStroke::class, $id);
            } else {
                $sheet->put($id, $stroke);
            }
            if ($old !== null) {
                $before[$id] = $old;
            } elseif ($stroke !== null) {
                $ink->add($stroke);
            }
        }
        if ($before !== []) {
            $changed = array_filter([
                ...array_values($before),
                ...array_values(array_intersect_key($this->strokes, $before)),
            ]);
            $ink->make(...array_merge(...array_map(InkLayers::reachOf(...), array_values($changed))));
        }
        $ink->fallBehind();
    }
}
