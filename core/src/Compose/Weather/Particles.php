<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\ParticleForm;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Chance;
use Awning\Core\Raster\Rect;

/**
 * The coverage of many particles. Each plane is parted into square cells of the spacing; a cell holds one particle at a
 * place of its own by the seed (a jittered grid; common practice). So a part of the page has the same particles as the
 * whole page. The browser's resources/js/picture/weather/particles.ts makes the same.
 */
final readonly class Particles implements Plane
{
    /** How much larger and farther apart the particles of each plane are than those of the middle one. */
    private const PLANES = ['near' => 1.8, 'middle' => 1.0, 'far' => 0.5];

    /** How much of what is sharp in the middle plane stays so in the far one. */
    private const FAR_SHARP = 0.5;

    /** With cells smaller than that, px, particles cannot be told apart: the plane is laid evenly. */
    private const FINE = 1.5;

    /** Cells of one row, and numbers drawn for one cell. */
    private const ROW = 1 << 13;

    private const NUMBERS = 8;

    /** Px for a thousandth of the page's longer side. */
    private float $unit;

    private Lamplight $lamplight;

    public function __construct(private ParticlesContent $content, PageSize $page)
    {
        $this->unit = $page->thousandth();
        $this->lamplight = new Lamplight($content, $page);
    }

    /** @return string one byte a px of the rectangle: where particles lie over each other they add up, to 255 */
    public function in(Rect $rect): string
    {
        $values = array_fill(0, $rect->width * $rect->height, 0);
        $even = 0;
        $number = 0;
        foreach (self::PLANES as $plane => $scale) {
            $seed = $this->content->seed * 4 + $number++;
            $strength = $this->content->$plane;
            if ($strength <= 0) {
                continue;
            }
            $softness = $plane === 'far'
                ? 1 - self::FAR_SHARP * (1 - $this->content->softness)
                : $this->content->softness;
            $cell = $this->content->spacing * $scale * $this->unit;
            if ($cell < self::FINE) {
                $even += (int) ($this->evenly($softness, $strength) + 0.5);

                continue;
            }
            foreach ($this->near($rect, $seed, $cell, $scale, $softness, $strength) as $particle) {
                self::add($values, $rect, $particle);
            }
        }
        $bytes = Bytes::of($values);

        if ($even > 0) {
            $bytes = strtr($bytes, Bytes::identity(), Bytes::table(fn (int $value): int => $value + $even));
        }

        return $this->lamplight->on($bytes, $rect);
    }

    /** @return iterable<Particle> of one plane, those that may show in the rectangle */
    private function near(
        Rect $rect,
        int $seed,
        float $cell,
        float $scale,
        float $softness,
        float $strength,
    ): iterable {
        $content = $this->content;
        $size = $content->size * $scale * $this->unit;
        $length = $content->length * $scale * $this->unit;
        $reach = $size + $length / 2 + 1;
        $firstColumn = (int) floor(($rect->x - $reach) / $cell);
        $lastColumn = (int) floor(($rect->x + $rect->width + $reach) / $cell);
        $lastRow = (int) floor(($rect->y + $rect->height + $reach) / $cell);
        for ($row = (int) floor(($rect->y - $reach) / $cell); $row <= $lastRow; $row++) {
            for ($column = $firstColumn; $column <= $lastColumn; $column++) {
                $at = ($row * self::ROW + $column) * self::NUMBERS;
                $varied = 1 - $content->variety * Chance::at($seed, $at + 2);
                $turn = ($content->spread * 90 * (2 * Chance::at($seed, $at + 3) - 1) + $content->angle) * M_PI / 180;
                if ($content->form === ParticleForm::Crystal) {
                    $turn += Chance::at($seed, $at + 5) * M_PI;
                }
                yield new Particle(
                    $content->form,
                    ($column + Chance::at($seed, $at)) * $cell,
                    ($row + Chance::at($seed, $at + 1)) * $cell,
                    $size * $varied / 2,
                    $length * $varied,
                    sin($turn),
                    cos($turn),
                    $softness,
                    $strength * (1 - $content->variety * Chance::at($seed, $at + 4)),
                );
            }
        }
    }

    /** @param  array<int, int>  $values */
    private static function add(array &$values, Rect $rect, Particle $particle): void
    {
        [$first, $last] = $particle->rows();
        for ($row = max($first, $rect->y), $end = min($last, $rect->y + $rect->height - 1); $row <= $end; $row++) {
            [$from, $to] = $particle->span($row);
            $to = min($to, $rect->x + $rect->width - 1);
            $at = ($row - $rect->y) * $rect->width - $rect->x;
            for ($column = max($from, $rect->x); $column <= $to; $column++) {
                $values[$at + $column] = min(255, $values[$at + $column] + $particle->at($column, $row));
            }
        }
    }

    /** @return float 0..255: the mean of one plane, by what one particle covers of its cell */
    private function evenly(float $softness, float $strength): float
    {
        $content = $this->content;
        $mean = 1 - $content->variety / 2;
        [$size, $length, $cell] = [$content->size * $mean, $content->length * $mean, $content->spacing];
        // A soft edge covers more outside a disc than it takes off inside.
        $disc = ((M_PI * $size ** 2) / 4) * (1 + $softness ** 2 / 3);
        $covered = match ($content->form) {
            ParticleForm::Streak => $disc + Particle::MEAN_OF_STREAK * $size * $length,
            ParticleForm::Flake => $disc + $size * $length,
            ParticleForm::Crystal => Particle::CRYSTAL_OF_DISC * $disc,
            ParticleForm::Petal => $disc / Particle::LONGER,
            ParticleForm::Ripple => Particle::RIPPLE_OF_DISC * $disc,
            ParticleForm::Splash => Particle::SPLASH_OF_DISC * $disc,
        };

        return 255 * $strength * $mean * min(1.0, $covered / $cell ** 2);
    }
}
