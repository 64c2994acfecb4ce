<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\Pass\ParticleForm;

/**
 * One particle: where it is, how large and how strong, and which way it points. All lengths in px. The browser's
 * resources/js/picture/weather/particle.ts draws the same.
 */
final readonly class Particle
{
    /** A streak's strength at its upper end, as a share of that at its lower end. */
    private const TAIL = 0.25;

    public const MEAN_OF_STREAK = (1 + self::TAIL) / 2;

    /** A petal is so much longer than wide. */
    public const LONGER = 2.0;

    /** Of a crystal, in shares of its radius: half the thickness of its arms, where they branch, and how far. */
    private const ARM = 0.09;

    private const FORK = 0.5;

    private const BRANCH = 0.38;

    /** What a crystal covers, as a share of a disc of its size: 6 arms and 12 branches. */
    public const CRYSTAL_OF_DISC = (2 * self::ARM * (6 + 12 * self::BRANCH)) / M_PI;

    /** Of a ripple, in shares of its radius: half the thickness of its rings, and their radii; how flat it lies. */
    private const RING = 0.06;

    private const RINGS = [0.9, 0.5];

    private const FLAT = 3.0;

    /** Round both rings, in the radius: by Ramanujan's formula for an ellipse three times as wide as high. */
    private const ROUND = (self::RINGS[0] + self::RINGS[1]) * 4.4549;

    public const RIPPLE_OF_DISC = (2 * self::RING * self::ROUND) / M_PI;

    /** Of a splash, in its radius: half the thickness of its lines, where they begin, how much shorter each is. */
    private const LINE = 0.08;

    private const BEGIN = 0.35;

    private const LESS = 0.15;

    /** From one line of a splash to the next, in radians; so many on either side of the middle one. */
    private const FAN = 0.61;

    private const SIDES = 2;

    public const SPLASH_OF_DISC = (2 * self::LINE * (5 * (1 - self::BEGIN) - 6 * self::LESS)) / M_PI;

    /** How far from the middle it may lie at the most. */
    private float $reach;

    private float $half;

    /** Half of what is thick: of one that is made of lines, of these. */
    private float $thick;

    /** How wide its soft edge is; one px at the least, which smooths the edge. */
    private float $edge;

    private float $scale;

    /**
     * @param  float  $radius  above 0
     * @param  float  $length  of its way, 0 or more
     * @param  float  $across  of the unit vector it points along; down is positive
     * @param  float  $softness  0..1
     * @param  float  $strength  0..1
     */
    public function __construct(
        private ParticleForm $form,
        private float $x,
        private float $y,
        private float $radius,
        float $length,
        private float $across,
        private float $down,
        float $softness,
        float $strength,
    ) {
        $isDrawnOut = $form === ParticleForm::Streak || $form === ParticleForm::Flake;
        $this->half = $isDrawnOut ? $length / 2 : 0.0;
        $this->thick = $radius * match ($form) {
            ParticleForm::Crystal => self::ARM,
            ParticleForm::Ripple => self::RING,
            ParticleForm::Splash => self::LINE,
            default => 1.0,
        };
        $this->edge = max(1.0, 2 * $softness * $this->thick);
        $this->reach = $this->half + $this->edge / 2 + ($form->isLines() ? $radius : 0) + $this->thick;
        $isLine = $form->isLines() || $this->half > 0.5;
        $this->scale = 255 * $strength * self::thinness($this->thick, $isLine);
    }

    /** @return float what is left of the strength of one that is thinner than a px: as much as it covers of it */
    private static function thinness(float $thick, bool $isLine): float
    {
        if ($thick >= 0.5) {
            return 1.0;
        }
        $thin = (2 * $thick) / ($thick + 0.5) ** 2;

        return $isLine ? $thin : $thin * 2 * $thick;
    }

    /** @return array{int, int} the first and the last row that may show it */
    public function rows(): array
    {
        $reach = abs($this->down) * $this->half + $this->reach - $this->half;

        return [(int) floor($this->y - $reach - 0.5), (int) ceil($this->y + $reach - 0.5)];
    }

    /** @return array{int, int} the first and the last px of a row that may show it; none: the first is later */
    public function span(int $row): array
    {
        $width = $this->reach - $this->half;
        $off = $row + 0.5 - $this->y;
        $least = -abs($this->across) * $this->half - $width;
        $most = -$least;
        // Of something long only the px beside its middle line.
        if ($this->half > $width && abs($this->down) > 0.05) {
            $middle = ($off * $this->across) / $this->down;
            $beside = $width / abs($this->down);
            $least = max($least, $middle - $beside);
            $most = min($most, $middle + $beside);
        }

        return [(int) ceil($this->x + $least - 0.5), (int) floor($this->x + $most - 0.5)];
    }

    /** @return int 0..255: how much of the px it covers, in bytes; $column and $row are those of the page */
    public function at(int $column, int $row): int
    {
        $x = $column + 0.5 - $this->x;
        $y = $row + 0.5 - $this->y;
        $along = $x * $this->across + $y * $this->down;
        $beside = $x * $this->down - $y * $this->across;
        $distance = match ($this->form) {
            ParticleForm::Streak, ParticleForm::Flake => self::toSegment($along, $beside, $this->half),
            ParticleForm::Petal => hypot($along, self::LONGER * $beside),
            ParticleForm::Crystal => $this->toArms($along, $beside),
            ParticleForm::Ripple => $this->toRings($along, $beside),
            ParticleForm::Splash => $this->toLines($along, $beside),
        };
        $covered = min(1.0, ($this->thick + $this->edge / 2 - $distance) / $this->edge);
        if ($covered <= 0) {
            return 0;
        }
        if ($this->form === ParticleForm::Streak && $this->half > 0) {
            $way = max(0.0, min(1.0, ($along + $this->half) / (2 * $this->half)));
            $covered *= self::TAIL + (1 - self::TAIL) * $way;
        }

        return (int) ($this->scale * $covered + 0.5);
    }

    /** From a segment that lies along the first axis, so much to either side. */
    private static function toSegment(float $along, float $beside, float $half): float
    {
        $over = abs($along) - $half;

        return $over <= 0 ? abs($beside) : hypot($over, $beside);
    }

    /** From the nearest arm or branch: all arms are folded upon one half of one. */
    private function toArms(float $along, float $beside): float
    {
        $length = hypot($along, $beside);
        $sixth = M_PI / 3;
        $angle = abs(fmod(abs(atan2($beside, $along)) + $sixth / 2, $sixth) - $sixth / 2);
        [$u, $v] = [$length * cos($angle), $length * sin($angle)];
        $arm = self::toSegment($u - $this->radius / 2, $v, $this->radius / 2);
        // The branch stands off at a sixth of a turn.
        $u -= self::FORK * $this->radius;
        $branch = self::BRANCH * $this->radius;
        [$out, $off] = [$u / 2 + $v * sqrt(0.75), $v / 2 - $u * sqrt(0.75)];

        return min($arm, self::toSegment($out - $branch / 2, $off, $branch / 2));
    }

    /** From the nearer ring, about as far as the slope there says: an ellipse has no simpler distance. */
    private function toRings(float $along, float $beside): float
    {
        $flat = self::FLAT * $along;
        $out = sqrt($beside * $beside + $flat * $flat);
        if ($out < 1e-9) {
            return self::RINGS[1] * $this->radius / self::FLAT;
        }
        $slope = sqrt($beside * $beside + self::FLAT * self::FLAT * $flat * $flat) / $out;

        return min(abs($out - self::RINGS[0] * $this->radius), abs($out - self::RINGS[1] * $this->radius)) / $slope;
    }

    /** From the nearest line of the fan: those of one side are turned upon the middle one. */
    private function toLines(float $along, float $beside): float
    {
        $length = sqrt($along * $along + $beside * $beside);
        $angle = abs(atan2($beside, -$along));
        $number = min(self::SIDES, (int) ($angle / self::FAN + 0.5));
        $angle -= $number * self::FAN;
        $half = (1 - self::LESS * $number - self::BEGIN) * $this->radius / 2;

        return self::toSegment(
            $length * cos($angle) - self::BEGIN * $this->radius - $half,
            $length * sin($angle),
            $half,
        );
    }
}
