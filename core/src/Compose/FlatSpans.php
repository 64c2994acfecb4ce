<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\Scope;
use Awning\Core\Page\ScopeKind;

/** The flats of a stretch of pixels as spans, and what they say of colour and clip. */
final class FlatSpans
{
    /** @var array<string, list<array{int, int, int}>> */
    private array $known = [];

    /**
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, label
     * @param  array<int, Flat>  $flats  by label
     */
    public function __construct(private readonly array $spans, private readonly array $flats, private readonly int $count)
    {
    }

    /**
     * The spans inside a scope with the colour a pass has there; neighbours of one colour are joined.
     *
     * @param  Tone|int  $colour  a tone, taken from each material; or 0xRRGGBB
     * @return list<array{int, int, int}>
     */
    public function inside(Scope $scope, Tone|int $colour): array
    {
        if (is_int($colour) && ($scope->kind === ScopeKind::Page || $scope->kind === ScopeKind::Ink)) {
            return [[0, $this->count, $colour]];
        }
        $key = $scope->kind->value.$scope->id.' '.(is_int($colour) ? $colour : $colour->value);

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
    private function find(Scope $scope, Tone|int $colour): array
    {
        $inside = [];
        $last = -1;
        foreach ($this->spans as [$from, $to, $label]) {
            $flat = $this->flats[$label] ?? null;
            if (! $scope->holds($flat->figure ?? 0, $flat->material ?? 0) || ($flat === null && ! is_int($colour))) {
                continue;
            }
            $value = is_int($colour) ? $colour : $flat->tones[$colour->value];
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
        if ($scope->kind === ScopeKind::Page || $scope->kind === ScopeKind::Ink) {
            return $paint;
        }
        $mask = Pixels::within($this->count, $this->inside($scope, 0), null);

        return $paint->covered($paint->alphas() & $mask);
    }
}
