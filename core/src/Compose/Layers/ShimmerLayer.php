<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ShimmerContent;
use Awning\Core\Raster\Chance;

/**
 * Moves the picture beneath aside in two waves, of which the finer one wanders. The browser's
 * resources/js/picture/passKinds/shimmer.ts does the same.
 */
final readonly class ShimmerLayer extends AroundLayer
{
    /** What the long and the fine wave count, and how long the fine one and its wandering are. */
    private const LONG = 0.6;

    private const FINE = 0.4;

    private const FINER = 0.43;

    private const WANDERS = 2.6;

    private const WANDERING = 1.7;

    private ShimmerContent $content;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->content = $spec->content instanceof ShimmerContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
    }

    public function margin(): int
    {
        return (int) ceil($this->height()) + 1;
    }

    private function height(): float
    {
        return min(self::MOST, $this->content->height * $this->thousandth());
    }

    protected function seen(ExactCanvas $canvas, Ground $ground): ExactCanvas
    {
        $rect = $ground->rect();
        [$across, $down] = [sin(deg2rad($this->content->angle)), cos(deg2rad($this->content->angle))];
        $length = max(1.0, $this->content->length * $this->thousandth());
        $height = $this->height();
        [$first, $second, $third] = array_map(
            fn (int $number): float => 2 * M_PI * Chance::at($this->content->seed, $number),
            [0, 1, 2],
        );
        $wave = 2 * M_PI / $length;
        $columns = $rows = [];
        for ($y = 0; $y < $rect->height; $y++) {
            for ($x = 0; $x < $rect->width; $x++) {
                [$atX, $atY] = [$rect->x + $x + 0.5, $rect->y + $y + 0.5];
                $along = $atX * $across + $atY * $down;
                $beside = $atX * $down - $atY * $across;
                $wandering = self::WANDERING * sin(($wave * $beside) / self::WANDERS + $third);
                $aside = $height * (
                    self::LONG * sin($wave * $along + $first) +
                    self::FINE * sin(($wave * $along) / self::FINER + $second + $wandering)
                );
                $columns[] = $x + $aside * $down;
                $rows[] = $y - $aside * $across;
            }
        }

        return $canvas->moved($columns, $rows, $rect->width, $rect->height);
    }
}
