<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Compose\Blend\StrokeLaying;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Lays a pass into the one right below it, where one pass can say what both did: the same tone or colour, or paint;
 * blending normally; in one clip. The picture stays as it was, to a rounding; the opacities of both go into what is
 * painted. Merged as a copy, both stay under it, rolled up.
 *
 * @phpstan-type MergePassInput array{id: string, into: string, copy: ?string}
 */
final readonly class MergePass implements ClientOp
{
    /**
     * @param  string  $id  of the upper pass, which goes
     * @param  string  $into  of the one below it
     * @param  ?string  $copy  of a pass that becomes what both are, while they stay; null: the lower one does
     */
    public function __construct(private string $id, private string $into, private ?string $copy = null)
    {
    }

    public static function kind(): string
    {
        return 'pass.merge';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), $input->id('into'), $input->has('copy') ? $input->id('copy') : null);
    }

    /** @return MergePassInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'into' => $this->into, 'copy' => $this->copy];
    }

    public function title(): string
    {
        return $this->copy === null ? 'Merge two passes' : 'Merge a copy of two passes';
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
        $passes = $sheet->all(PassSpec::class);
        $upper = $passes[$this->id] ?? throw new OpRefused('The pass is gone already.');
        $lower = $passes[$this->into] ?? throw new OpRefused('The pass to merge into is gone.');
        if (PassOrder::below($passes, $this->id) !== $this->into) {
            throw new OpRefused("{$lower->name} does not lie right below {$upper->name}. Move it there first.");
        }
        if (! $upper->content->kind()->isPainted()) {
            throw new OpRefused(
                "{$upper->name} fills all it reaches; there is nothing painted in it that could be merged.",
            );
        }
        self::refuseUnlike($upper, $lower);
        $merged = $lower->changed(new Data(['opacity' => 1.0]));
        if ($this->copy !== null) {
            (new AddPass($this->copy, $merged->at(PassOrder::above($passes, $this->id))))->apply($sheet);
        }
        foreach ($sheet->grid()->all() as [$column, $row]) {
            $this->lay($sheet, $upper, $lower, $column, $row);
        }
        if ($this->copy === null) {
            $sheet->put($this->into, $merged);
            (new RemovePass($this->id))->apply($sheet);

            return;
        }
        foreach ([$this->id => $upper, $this->into => $lower] as $id => $part) {
            $sheet->put((string) $id, $part->changed(new Data(['visible' => false])));
        }
    }

    private function lay(Sheet $sheet, PassSpec $upper, PassSpec $lower, int $column, int $row): void
    {
        $over = $sheet->tile($upper->layer($this->id), $column, $row);
        $under = $sheet->tile($lower->layer($this->into), $column, $row);
        if ($over !== null || ($under !== null && $lower->opacity < 1)) {
            $bytes = $sheet->bytes($lower->layer($this->into), $column, $row);
            $over ??= $sheet->bytes($upper->layer($this->id), $column, $row);
            $under = $lower->isPaint()
                ? self::paint($bytes, $lower->opacity, $over, $upper->opacity)
                : self::coverage($bytes, $lower->opacity, $over, $upper->opacity);
        }
        $sheet->setTile($lower->layer($this->copy ?? $this->into), $column, $row, $under);
    }

    private static function refuseUnlike(PassSpec $upper, PassSpec $lower): void
    {
        $why = match (true) {
            ! $upper->visible || ! $lower->visible => 'one of them is rolled up',
            $upper->content != $lower->content => 'they do not lay the same: two passes of one tone, two of one colour, or two of paint can be merged',
            $upper->scope != $lower->scope => 'they are clipped to different things',
            $upper->mode !== BlendMode::Normal || $lower->mode !== BlendMode::Normal => 'only passes that blend normally can be merged; a group takes others together',
            $upper->group !== $lower->group => 'they are not in one group',
            $upper->mask !== null || $lower->mask !== null => 'one of them keeps to another pass',
            $upper->turn != $lower->turn => 'their colours are turned differently',
            default => null,
        };
        if ($why !== null) {
            throw new OpRefused("$upper->name and $lower->name stay apart: $why.");
        }
    }

    private static function coverage(string $under, float $underOpacity, string $over, float $overOpacity): string
    {
        return (new StrokeLaying)->add(self::faded($under, $underOpacity), $over, $overOpacity);
    }

    private static function paint(string $under, float $underOpacity, string $over, float $overOpacity): string
    {
        $pixels = fn (string $tile, float $opacity): Pixels => (fn (array $planes): Pixels => new Pixels(
            TileGrid::PIXELS,
            $planes[0],
            $planes[1],
            $planes[2],
            self::faded($planes[3], $opacity),
        ))(str_split($tile, TileGrid::PIXELS));
        $canvas = new ExactCanvas($pixels($under, $underOpacity));
        $canvas->paint($pixels($over, 1.0), BlendMode::Normal, $overOpacity);
        $merged = $canvas->pixels();

        return $merged->red.$merged->green.$merged->blue.$merged->alphas();
    }

    private static function faded(string $alpha, float $opacity): string
    {
        return $opacity >= 1
            ? $alpha
            : strtr($alpha, Bytes::identity(), Bytes::table(fn (int $value): float => $value * $opacity));
    }
}
