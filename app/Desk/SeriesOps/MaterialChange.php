<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\Palette\SeriesPalette;
use App\Models\Material;
use App\Models\Series;
use App\Values\Scalar;
use Awning\Core\Colour\Derivation;

/**
 * A change to one material, as somebody who saw it at a version asked for it; or a new one.
 *
 * @phpstan-import-type DerivationPart from Derivation
 */
trait MaterialChange
{
    /**
     * @param  int  $version  the material's, as the client knows it
     * @param  array<string, mixed>  $yours  what the client would have it be
     *
     * @throws Conflict when it has changed since, with both values
     */
    private static function taken(Series $series, Material $material, int $version, array $yours): Material
    {
        $row = self::present($material, $yours);
        if ($row->version !== $version) {
            throw new Conflict(
                "Somebody changed $row->name meanwhile. Theirs is shown; choose again if yours should stand.",
                [
                    'reason' => 'palette',
                    'theirs' => (new SeriesPalette($series))->material($row),
                    'yours' => $yours,
                ],
            );
        }

        return $row;
    }

    /**
     * @param  ?array<string, mixed>  $yours
     *
     * @throws Conflict when it has been taken out of the palette since it was shown, or follows another series'
     */
    private static function present(Material $material, ?array $yours = null): Material
    {
        $row = Material::query()->lockForUpdate()->findOrFail($material->id);
        if ($row->retired) {
            throw new Conflict("Somebody took $row->name out of the palette meanwhile. Undo brings it back.", [
                'reason' => 'palette',
                'theirs' => null,
                'yours' => $yours,
            ]);
        }

        if ($row->follows_id !== null) {
            throw new Conflict(
                "$row->name follows another series. Change it there, or stop following {$row->figure->name} first.",
                ['reason' => 'palette', 'theirs' => null, 'yours' => $yours],
            );
        }

        return $row;
    }

    /**
     * A new material of a figure, after those it has.
     *
     * @param  array<string, string>  $pinned  tone name => #rrggbb, a base among them
     * @param  ?DerivationPart  $dials
     * @param  ?array<string, string>  $more  names of the tones beside the six
     * @return array{string, int, null, array<string, mixed>} as the series' journal keeps it
     */
    private static function added(
        int $figure,
        string $name,
        array $pinned,
        ?array $dials = null,
        ?array $more = null,
    ): array {
        $place = 1 + Scalar::int(Material::living()->where('figure_id', $figure)->max('place'));
        $row = Material::query()
            ->create([
                'figure_id' => $figure,
                'name' => $name,
                'place' => $place,
                'pinned' => $pinned,
                'dials' => $dials,
                'more' => $more,
            ])
            ->refresh();

        return ['material', $row->id, null, $row->toRecord()];
    }

    /** @return array{string, int, array<string, mixed>, array<string, mixed>} as the series' journal keeps it */
    private static function saved(Material $row): array
    {
        $before = Material::query()->findOrFail($row->id)->toRecord();
        $row->version++;
        $row->save();

        return ['material', $row->id, $before, $row->toRecord()];
    }
}
