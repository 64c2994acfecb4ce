<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;

/** The flats of a stretch of pixels as spans, and what they say of colour and clip. */
final class FlatSpans
{
    /** @var array<string, list<array{int, int, int}>> */
    private array $known = [];

    /**
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, label
     * @param  array<int, Flat>  $flats  by label
     */
    public function __construct(
        private readonly array $spans,
        private readonly array $flats,
        private readonly int $count,
    ) {
    }

    /**
     * The spans inside a scope with the colour a pass has there; neighbours of one colour are joined.
     *
     * @param  Tone|TintContent|int  $colour  a tone, taken from each material; a tint, taken from each region's light
     *     where it follows that; or 0xRRGGBB
     * @return list<array{int, int, int}>
     */
    public function inside(Scope $scope, Tone|TintContent|int $colour): array
    {
        $colour = $colour instanceof TintContent && $colour->follows === null ? $colour->colour->number() : $colour;
        if (is_int($colour) && $scope->kind->isWhole()) {
            return [[0, $this->count, $colour]];
        }
        $key =
            $scope->kind->value.
            $scope->id.
            ' '.
            match (true) {
                is_int($colour) => $colour,
                $colour instanceof Tone => $colour->value,
                default => $colour->follows?->value.$colour->colour->number(),
            };

        return $this->known[$key] ??= $this->find($scope, $colour);
    }

    /**
     * The base colours of all flats.
     *
     * @return list<array{int, int, int}>
     */
    public function bases(): array
    {
        return $this->inside(Scope::page(), Tone::Base);
    }

    /** @return list<array{int, int, int}> */
    private function find(Scope $scope, Tone|TintContent|int $colour): array
    {
        $inside = [];
        $last = -1;
        foreach ($this->spans as [$from, $to, $label]) {
            $flat = $this->flats[$label] ?? null;
            if (
                ! $scope->holds($flat->figure ?? 0, $flat->material ?? 0) ||
                ($flat === null && $colour instanceof Tone)
            ) {
                continue;
            }
            $value = match (true) {
                is_int($colour) => $colour,
                $colour instanceof Tone => $flat->tones[$colour->value],
                default => $flat->light[$colour->follows?->value] ?? $colour->colour->number(),
            };
            if ($last >= 0 && $inside[$last][1] === $from && $inside[$last][2] === $value) {
                $inside[$last][1] = $to;
            } else {
                $inside[] = [$from, $to, $value];
                $last++;
            }
        }

        return $inside;
    }

    /** Paint with what lies outside a scope made clear. */
    public function clip(Pixels $paint, Scope $scope): Pixels
    {
        if ($scope->kind->isWhole()) {
            return $paint;
        }
        $mask = Pixels::within($this->count, $this->inside($scope, 0), null);

        return $paint->covered($paint->alphas() & $mask);
    }
}
