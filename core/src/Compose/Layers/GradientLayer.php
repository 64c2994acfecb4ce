<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\GradientRamp;
use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\GradientContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;

/**
 * Lays the colours of a gradient, inside its clip. Values between two bytes are spread over 4 × 4 pixels by an ordered
 * threshold (Bayer 1973) that lies fast on the page: so a dark gradient shows no bands, and has no seam between tiles.
 */
final readonly class GradientLayer extends PassLayer
{
    private const THRESHOLDS = [0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5];

    private GradientContent $content;

    /** The same for all tiles: its colours are worked out once. */
    private GradientRamp $ramp;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->content = $spec->content instanceof GradientContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->ramp = new GradientRamp($this->content->stops, $this->content->isOklab);
    }

    protected function put(Canvas $canvas, Ground $ground): void
    {
        $filled = $this->filled($ground);
        if ($filled === null) {
            return;
        }
        $made = null;
        $planes = [];
        for ($part = 0; $part < 4; $part++) {
            $planes[] = $ground->generated(function (Rect $rect) use ($part, &$made): string {
                $made ??= $this->planes($rect);

                return $made[$part];
            });
        }
        [$red, $green, $blue, $alpha] = $planes;
        $canvas->paint(
            new Pixels($ground->count, $red, $green, $blue, Bytes::product($filled, $alpha)),
            $this->spec->mode,
            $this->spec->opacity,
        );
    }

    /** @return array{string, string, string, string} red, green, blue and alpha, one byte a pixel */
    private function planes(Rect $rect): array
    {
        $content = $this->content;
        [$width, $height] = [$this->page->width ?? 1, $this->page->height ?? 1];
        [$fromX, $fromY] = [$content->from[0] * $width, $content->from[1] * $height];
        [$alongX, $alongY] = [$content->to[0] * $width - $fromX, $content->to[1] * $height - $fromY];
        $squared = $alongX * $alongX + $alongY * $alongY;
        // In steps of the ramp, from the middle of a pixel to that of the next.
        $scale = GradientRamp::STEPS / ($content->isRound ? sqrt($squared) : $squared);
        $planes = ['', '', '', ''];
        for ($y = $rect->y, $bottom = $rect->y + $rect->height; $y < $bottom; $y++) {
            [$across, $down] = [$rect->x + 0.5 - $fromX, $y + 0.5 - $fromY];
            if ($content->isRound) {
                $places = self::round($rect->width, $scale * $across, $scale * $down, $scale);
            } else {
                $step = $scale * $alongX;
                $first = $step * $across + $scale * $alongY * $down + 0.5;
                // Straight down, a row has four values: one for each threshold.
                $places = self::straight($step == 0 ? min(4, $rect->width) : $rect->width, $first, $step);
            }
            $row = $this->coloured($rect->x, $y, $places);
            foreach ($row as $part => $bytes) {
                $planes[$part] .= strlen($bytes) === $rect->width
                    ? $bytes
                    : substr(str_repeat($bytes, intdiv($rect->width, 4) + 1), 0, $rect->width);
            }
        }

        return $planes;
    }

    /**
     * Where some pixels of a row lie along a straight way.
     *
     * @param  float  $first  the place of the first, in steps of the ramp
     * @param  float  $step  from one to the next
     * @return list<int> 0..STEPS of the ramp
     */
    private static function straight(int $count, float $first, float $step): array
    {
        $places = [];
        for ($i = 0; $i < $count; $i++) {
            $at = $first + $i * $step;
            $places[] = $at < 0 ? 0 : ($at > GradientRamp::STEPS ? GradientRamp::STEPS : (int) $at);
        }

        return $places;
    }

    /**
     * How far some pixels of a row lie from a point.
     *
     * @param  float  $across  from the point to the first, in steps of the ramp
     * @param  float  $down  the same, and for all of them
     * @param  float  $step  from one to the next
     * @return list<int> 0..STEPS of the ramp
     */
    private static function round(int $count, float $across, float $down, float $step): array
    {
        $places = [];
        for ($i = 0; $i < $count; $i++) {
            $away = $across + $i * $step;
            $at = sqrt($away * $away + $down * $down) + 0.5;
            $places[] = $at > GradientRamp::STEPS ? GradientRamp::STEPS : (int) $at;
        }

        return $places;
    }

    /**
     * The colours of some pixels of a row, each with its threshold.
     *
     * @param  list<int>  $places  along the ramp, from the pixel at x on
     * @return array{string, string, string, string} red, green, blue and alpha
     */
    private function coloured(int $x, int $y, array $places): array
    {
        [$reds, $greens, $blues, $alphas] = $this->ramp->sixteenths();
        $thresholds = self::THRESHOLDS;
        $row = ($y & 3) << 2;
        $r = $g = $b = $a = '';
        foreach ($places as $i => $at) {
            $more = $thresholds[$row | (($x + $i) & 3)];
            $r .= chr(($reds[$at] + $more) >> 4);
            $g .= chr(($greens[$at] + $more) >> 4);
            $b .= chr(($blues[$at] + $more) >> 4);
            $a .= chr(($alphas[$at] + $more) >> 4);
        }

        return [$r, $g, $b, $a];
    }
}
