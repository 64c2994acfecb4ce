<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\Weather\Clouds;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\CloudsContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;

/** Lays clouds in their two colours, inside its clip. */
final readonly class CloudsLayer extends PassLayer
{
    private CloudsContent $content;

    /** The same for all tiles. */
    private Clouds $clouds;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->content = $spec->content instanceof CloudsContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->clouds = new Clouds($this->content, $page ?? new PageSize(1, 1));
    }

    protected function put(Canvas $canvas, Ground $ground): void
    {
        $filled = $this->filled($ground);
        if ($filled === null) {
            return;
        }
        $covered = $ground->generated(fn (Rect $rect): string => $this->clouds->in($rect)[0]);
        $lit = $ground->generated(fn (Rect $rect): string => $this->clouds->in($rect)[1]);
        if (Bytes::isNothing($covered)) {
            return;
        }
        $planes = array_map(fn (string $ramp): string => strtr($lit, Bytes::identity(), $ramp), $this->ramps());
        $canvas->paint(
            new Pixels($ground->count, $planes[0], $planes[1], $planes[2], Bytes::product($filled, $covered)),
            $this->spec->mode,
            $this->spec->opacity,
        );
    }

    /** @return list<string> of red, green and blue, the value for each part of the light: 256 bytes */
    private function ramps(): array
    {
        [[, , $shade], [, , $light]] = $this->turned([
            [0, 0, $this->content->shade->number()],
            [0, 0, $this->content->colour->number()],
        ]);
        $ramps = [];
        foreach ([16, 8, 0] as $shift) {
            [$from, $to] = [($shade >> $shift) & 255, ($light >> $shift) & 255];
            $value = fn (int $part): int => (int) ($from + ($to - $from) * $part / 255 + 0.5);
            $ramps[] = Bytes::of(array_map($value, range(0, 255)));
        }

        return $ramps;
    }
}
