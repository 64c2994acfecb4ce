<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * A stroke one pixel wide that closes a gap in the ink, for flatting only. Ends are pixels.
 *
 * @phpstan-type BridgeData array{x1: int, y1: int, x2: int, y2: int, kind: value-of<BridgeKind>, score: float}
 */
final readonly class Bridge implements Record
{
    /** @param  float  $score  how sure it is that the drawing wants it, 0..1 */
    public function __construct(
        public int $x1,
        public int $y1,
        public int $x2,
        public int $y2,
        public BridgeKind $kind = BridgeKind::Found,
        public float $score = 1.0,
    ) {
        foreach (['x1' => $x1, 'y1' => $y1, 'x2' => $x2, 'y2' => $y2] as $name => $end) {
            Bounds::whole($name, $end, 0, PageSize::MOST);
        }
        Bounds::number('score', $score, 0, 1);
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Bridge;
    }

    public static function fromData(Data $data): self
    {
        $end = fn (string $name): int => $data->int($name, 0, PageSize::MOST);

        return new self(
            $end('x1'),
            $end('y1'),
            $end('x2'),
            $end('y2'),
            $data->choice(
                'kind',
                BridgeKind::class,
                'A bridge is found, kept, doubtful or refused.',
                BridgeKind::Found,
            ),
            $data->number('score', 0, 1, 1),
        );
    }

    /** @return BridgeData */
    public function toData(): array
    {
        return [
            'x1' => $this->x1,
            'y1' => $this->y1,
            'x2' => $this->x2,
            'y2' => $this->y2,
            'kind' => $this->kind->value,
            'score' => $this->score,
        ];
    }

    public function moved(int $right, int $down): self
    {
        return new self(
            $this->x1 + $right,
            $this->y1 + $down,
            $this->x2 + $right,
            $this->y2 + $down,
            $this->kind,
            $this->score,
        );
    }

    public function as(BridgeKind $kind, ?float $score = null): self
    {
        return new self($this->x1, $this->y1, $this->x2, $this->y2, $kind, $score ?? $this->score);
    }

    /** Whether another goes nearly the same way, either way round. */
    public function isLike(self $other, float $within): bool
    {
        $apart = fn (int $ax, int $ay, int $bx, int $by): float => hypot($ax - $bx, $ay - $by);

        return max(
            $apart($this->x1, $this->y1, $other->x1, $other->y1),
            $apart($this->x2, $this->y2, $other->x2, $other->y2),
        ) <= $within ||
            max(
                $apart($this->x1, $this->y1, $other->x2, $other->y2),
                $apart($this->x2, $this->y2, $other->x1, $other->y1),
            ) <= $within;
    }

    public function length(): float
    {
        return hypot($this->x2 - $this->x1, $this->y2 - $this->y1);
    }

    /**
     * The pixels of the stroke (Bresenham 1965), ends included; neighbours touch at least at a corner, so nothing
     * 4-connected passes between them.
     *
     * @return list<array{int, int}>
     */
    public function pixels(): array
    {
        [$x, $y] = [$this->x1, $this->y1];
        $dx = abs($this->x2 - $x);
        $dy = -abs($this->y2 - $y);
        $sx = $this->x2 >= $x ? 1 : -1;
        $sy = $this->y2 >= $y ? 1 : -1;
        $error = $dx + $dy;
        $pixels = [];
        while (true) {
            $pixels[] = [$x, $y];
            if ($x === $this->x2 && $y === $this->y2) {
                return $pixels;
            }
            $twice = 2 * $error;
            if ($twice >= $dy) {
                $error += $dy;
                $x += $sx;
            }
            if ($twice <= $dx) {
                $error += $dx;
                $y += $sy;
            }
        }
    }
}
