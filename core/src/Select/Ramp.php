<?php

declare(strict_types=1);

namespace Awning\Core\Select;

use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Rect;

/**
 * Full at one place, nothing at another, evenly less on the way: straight across, or round about the first place.
 * Before the first place of a straight one all is full, behind the second there is nothing.
 */
final readonly class Ramp implements Coverage
{
    /**
     * @param  array{float, float}  $from  px of the page; pixel middles lie at halves
     * @param  array{float, float}  $to
     *
     * @throws \RangeException when both are one place
     */
    public function __construct(private array $from, private array $to, private RampForm $form, private Rect $page)
    {
        if ($this->length() < 1) {
            throw new \RangeException('Drag from where it is full to where nothing is left.');
        }
    }

    public function bounds(): Rect
    {
        if ($this->form === RampForm::Straight) {
            return $this->page;
        }
        [$x, $y] = $this->from;
        $reach = $this->length();

        return Rect::bounds(
            (int) floor($x - $reach),
            (int) floor($y - $reach),
            (int) ceil($x + $reach),
            (int) ceil($y + $reach),
        )->intersect($this->page);
    }

    public function cut(Rect $rect): ?string
    {
        $here = $rect->intersect($this->page);

        return PaddedRows::of(
            $rect,
            $here,
            fn (int $y): string => $this->form === RampForm::Straight
                ? $this->straight($y + 0.5, $here->x, $here->width)
                : $this->round($y + 0.5, $here->x, $here->width),
        );
    }

    private function length(): float
    {
        return hypot($this->to[0] - $this->from[0], $this->to[1] - $this->from[1]);
    }

    private function straight(float $y, int $left, int $width): string
    {
        [$x0, $y0] = $this->from;
        [$dx, $dy] = [$this->to[0] - $x0, $this->to[1] - $y0];
        $squared = $dx * $dx + $dy * $dy;
        $step = (255 * $dx) / $squared;
        $value = 255 - (255 * (($left + 0.5 - $x0) * $dx + ($y - $y0) * $dy)) / $squared;
        $row = '';
        for ($x = 0; $x < $width; $x++) {
            $row .= chr((int) (max(0.0, min(255.0, $value - $x * $step)) + 0.5));
        }

        return $row;
    }

    private function round(float $y, int $left, int $width): string
    {
        [$x0, $y0] = $this->from;
        $fall = 255 / $this->length();
        $down = ($y - $y0) ** 2;
        $row = '';
        for ($x = $left + 0.5 - $x0, $end = $x + $width; $x < $end; $x++) {
            $row .= chr((int) (max(0.0, 255 - $fall * sqrt($x * $x + $down)) + 0.5));
        }

        return $row;
    }
}
