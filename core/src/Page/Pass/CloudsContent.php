<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Clouds that heap up over a flat foot, in one colour where the light falls on them and in another where it does not.
 * Heaps are parts of the page's width and height, lengths are in thousandths of the page's longer side: so they fit
 * pages of every size.
 *
 * @phpstan-type HeapData array{float, float, float, float}
 * @phpstan-type CloudsData array{kind: 'clouds', colour: string, shade: string, heaps: list<HeapData>, lumps: float,
 *     fullness: float, softness: float, contrast: float, light: float, height: float, seed: int}
 */
final readonly class CloudsContent implements PassContent
{
    use LaysOver;

    /** Heaps of one pass. */
    public const MOST = 24;

    public const LEAST_LUMPS = 4.0;

    public const MOST_LUMPS = 120.0;

    /** A heap is so wide and so high at the least and at the most, and lies within so much of the page's corner. */
    private const SIDES = [0.001, 8.0];

    private const FARTHEST = 4.0;

    /**
     * @param  Rgb  $colour  where the light falls
     * @param  Rgb  $shade  where it does not
     * @param  non-empty-list<HeapData>  $heaps  left, top, width and height of each, the first at the back
     * @param  float  $lumps  the radius of a lump: 4..120 thousandths
     * @param  float  $fullness  0..1: how many lumps a heap has
     * @param  float  $softness  0..1: how soft edges are
     * @param  float  $contrast  0..1: from a soft passage between both colours to an edge
     * @param  float  $light  degrees: 0 from the right, 90 from above, counter-clockwise
     * @param  float  $height  degrees: 0 from the side, 90 from the reader
     * @param  int  $seed  0..65535
     */
    public function __construct(
        public Rgb $colour,
        public Rgb $shade,
        public array $heaps = [[0.2, 0.12, 0.5, 0.16]],
        public float $lumps = 28.0,
        public float $fullness = 0.5,
        public float $softness = 0.15,
        public float $contrast = 0.6,
        public float $light = 135.0,
        public float $height = 40.0,
        public int $seed = 1,
    ) {
        if (count($heaps) < 1 || count($heaps) > self::MOST) {
            throw new \InvalidArgumentException('Clouds of one pass are 1 to '.self::MOST.' heaps.');
        }
        foreach ($heaps as [$left, $top, $width, $high]) {
            Bounds::number('left', $left, -self::FARTHEST, self::FARTHEST);
            Bounds::number('top', $top, -self::FARTHEST, self::FARTHEST);
            Bounds::number('width', $width, ...self::SIDES);
            Bounds::number('height', $high, ...self::SIDES);
        }
        Bounds::number('lumps', $lumps, self::LEAST_LUMPS, self::MOST_LUMPS);
        Bounds::number('fullness', $fullness, 0, 1);
        Bounds::number('softness', $softness, 0, 1);
        Bounds::number('contrast', $contrast, 0, 1);
        Bounds::number('light', $light, -360, 360);
        Bounds::number('height', $height, -90, 90);
        Bounds::whole('seed', $seed, 0, 65535);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            colour: Rgb::fromHex($data->text('colour')),
            shade: Rgb::fromHex($data->text('shade')),
            heaps: self::heapsIn($data),
            lumps: $data->number('lumps', self::LEAST_LUMPS, self::MOST_LUMPS, 28.0),
            fullness: $data->number('fullness', 0, 1, 0.5),
            softness: $data->number('softness', 0, 1, 0.15),
            contrast: $data->number('contrast', 0, 1, 0.6),
            light: $data->number('light', -360, 360, 135.0),
            height: $data->number('height', -90, 90, 40.0),
            seed: $data->int('seed', 0, 65535, 1),
        );
    }

    /** @return non-empty-list<HeapData> */
    private static function heapsIn(Data $data): array
    {
        $heaps = [];
        foreach ($data->list('heaps', self::MOST) as $heap) {
            if (! is_array($heap) || ! array_is_list($heap) || count($heap) !== 4) {
                throw new \InvalidArgumentException('A heap of clouds is its left, its top, its width and its height.');
            }
            $heap = new Data($heap);
            $heaps[] = [
                $heap->number('0', -self::FARTHEST, self::FARTHEST),
                $heap->number('1', -self::FARTHEST, self::FARTHEST),
                $heap->number('2', ...self::SIDES),
                $heap->number('3', ...self::SIDES),
            ];
        }

        return $heaps === [] ? throw new \InvalidArgumentException('Clouds have one heap at the least.') : $heaps;
    }

    /** @return CloudsData */
    public function toData(): array
    {
        return [
            'kind' => 'clouds',
            'colour' => $this->colour->hex(),
            'shade' => $this->shade->hex(),
            'heaps' => $this->heaps,
            'lumps' => $this->lumps,
            'fullness' => $this->fullness,
            'softness' => $this->softness,
            'contrast' => $this->contrast,
            'light' => $this->light,
            'height' => $this->height,
            'seed' => $this->seed,
        ];
    }

    public function kind(): PassKind
    {
        return PassKind::Clouds;
    }

    public static function layer(): null
    {
        return null;
    }
}
