<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\Role;
use App\Models\Series;
use App\Models\SeriesLight;
use App\Models\SeriesSetup;
use App\Store\PageStore;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Paint\PlacePaint;
use Awning\Core\Sheet\Painting\LiftedPaint;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Ops as clients ask for them: read by the core; here it is checked that the person may, and that what they name is of
 * the series.
 */
final readonly class ClientOps
{
    public function __construct(private Series $series, private Role $role)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  with the op's kind among its input
     *
     * @throws OpRefused
     */
    public function read(array $data): ClientOp
    {
        $op = OpKinds::read(
            is_string($data['kind'] ?? null) ? $data['kind'] : '',
            array_diff_key($data, ['kind' => 0]),
        );
        self::check($this->role, $op->right());
        $this->known($op->refersTo());

        return $op instanceof PlacePaint ? $op->carrying($this->taken($op)) : $op;
    }

    /** @throws OpRefused when it is gone from where it was taken, or that page is not of the series */
    private function taken(PlacePaint $op): LiftedPaint
    {
        $page =
            Page::query()->where('series_id', $this->series->id)->find($op->page) ??
            throw new OpRefused('The page this was taken from is not in this series. Take something else along.');

        return LiftedPaint::from(new Sheet(new PageStore($page)), $op->from, $op->outline);
    }

    /** @throws OpRefused when the role has not the right */
    public static function check(Role $role, Right $right): void
    {
        if (! $role->may($right)) {
            throw new OpRefused(
                $role->mayFlat()
                    ? 'Your part in this series is flatting: you can fill regions, not paint.'
                    : 'Your part in this series is looking: others change its pages.',
            );
        }
    }

    private function known(References $names): void
    {
        foreach ($names->figures as $figure) {
            Figure::living()->where('series_id', $this->series->id)->whereKey($figure)->exists() ||
                throw new OpRefused('This figure is no longer in the series. Pick another.');
        }
        foreach ($names->materials as $material) {
            $this->figureOf($material);
        }
        foreach ($names->materialsOf as $material => $figure) {
            $this->figureOf($material) === $figure ||
                throw new OpRefused('This material belongs to another figure now. Pick it again.');
        }
        foreach ($names->variants as $variant) {
            PaletteVariant::living()->where('series_id', $this->series->id)->whereKey($variant)->exists() ||
                throw new OpRefused('This variant is no longer in the palette. Pick another.');
        }
        foreach ($names->setups as $setup) {
            SeriesSetup::living()->where('series_id', $this->series->id)->whereKey($setup)->exists() ||
                throw new OpRefused('This setup is not in the series, or no longer. Pick another.');
        }
        foreach ($names->lights as $light) {
            SeriesLight::living()->where('series_id', $this->series->id)->whereKey($light)->exists() ||
                throw new OpRefused('This light plan is gone. Pick another.');
        }
    }

    private function figureOf(int $material): int
    {
        $figure = Material::living()
            ->whereRelation('figure', 'series_id', $this->series->id)
            ->whereKey($material)
            ->value('figure_id');

        return is_int($figure)
            ? $figure
            : throw new OpRefused('This material is no longer in the palette. Pick another.');
    }
}
