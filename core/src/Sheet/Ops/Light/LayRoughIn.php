<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Light\Emission\Glow;
use Awning\Core\Light\ManualEdits;
use Awning\Core\Light\Plan\PanelLight;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Painting\RegionCoverage;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/**
 * Lays a computed light on a figure, as ordinary passes. Passes that an earlier one hung keep their place, mode and
 * opacity, and get the new coverage, and the new colour while nobody has given them another; what a hand added to them
 * or erased from them is kept, and whatever else hangs there is not touched.
 */
final readonly class LayRoughIn implements Op
{
    private RoughPasses $passes;

    /**
     * @param  string  $name  of the figure, for the journal
     * @param  PanelLight  $light  of the page; passes that are hung for it take its colours
     * @param  list<int>  $only  regions it is laid in; none: all of the figure
     * @param  ?Glow  $glow  of what shines
     * @param  array<int, PanelLight>  $panels  by light plan; what has a colour of theirs hangs in passes of its own
     * @param  list<RoughKind>  $kinds  what is laid of it; none: all
     */
    public function __construct(
        private int $figure,
        private string $name,
        PanelLight $light,
        private array $only = [],
        ?Glow $glow = null,
        array $panels = [],
        private array $kinds = [],
    ) {
        $this->passes = new RoughPasses($figure, $light, $glow, $panels);
    }

    public static function kind(): string
    {
        return 'rough.lay';
    }

    public static function form(): int
    {
        return 1;
    }

    /** The coverage itself is in the tiles the journal names. */
    public function toInput(): array
    {
        return ['figure' => $this->figure];
    }

    public function title(): string
    {
        return "Lay first light on $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    private function id(string $kind): string
    {
        return RoughKind::PREFIX.$this->figure.$kind;
    }

    /** Whether a pass is one that this op, or an earlier one for the same figure, hung. */
    public function isOurs(string $id): bool
    {
        return preg_match('/^'.RoughKind::PREFIX.$this->figure.'[a-z]/', $id) === 1;
    }

    /** Where on the page there is light of it. */
    public function bounds(): Rect
    {
        return Rect::around(array_column([...$this->passes->pieces(), ...$this->passes->glowing()], 0));
    }

    /** @return list<LayerName> of passes it lays: what is there, what was computed of it, and what a hand did */
    public function layers(): array
    {
        $layers = [];
        foreach ($this->passes->all() as $kind => [$pass]) {
            $id = $this->id($kind);
            array_push(
                $layers,
                $pass->layer($id),
                LayerName::computed($id),
                LayerName::added($id),
                LayerName::erased($id),
            );
        }

        return $layers;
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($this->passes->pieces() as [$where, $rough]) {
            if ($rough->shade->width !== $where->width || $rough->shade->height !== $where->height) {
                throw new OpRefused('The light was worked out for another place of the page.');
            }
        }
        $laid = [];
        $hung = $sheet->all(PassSpec::class);
        foreach ($this->laidPasses() as $kind => [$pass, $planes]) {
            $id = $this->id($kind);
            $laid[$id] = true;
            $there = $hung[$id] ?? null;
            if (
                $there === null &&
                array_filter($planes, fn (array $plane): bool => ! Bytes::isNothing($plane[1]->data)) === []
            ) {
                continue;
            }
            if ($there === null) {
                (new AddPass($id, $pass))->apply($sheet);
            } elseif (
                $there->content instanceof TintContent &&
                $there->content->follows === LightPart::Given &&
                $pass->content instanceof TintContent
            ) {
                $sheet->put($id, $there->showing($pass->content));
            }
            $this->lay($sheet, $pass->layer($id), $id, $planes, $kind !== RoughKind::Glow->value);
        }
        if ($this->kinds !== []) {
            return;
        }
        // Of a lamp that is gone, or of a plan nothing stands under any more, only what a hand did is left.
        foreach (array_diff_key($hung, $laid) as $id => $pass) {
            if ($this->isOurs((string) $id)) {
                $this->lay($sheet, $pass->layer((string) $id), (string) $id, []);
            }
        }
    }

    /** @return array<string, array{PassSpec, list<array{Rect, Plane}>}> those that are laid */
    private function laidPasses(): array
    {
        $kinds = array_flip(array_column($this->kinds, 'value'));
        $all = $this->passes->all();

        return $kinds === [] ? $all : array_intersect_key($all, $kinds);
    }

    /**
     * @param  list<array{Rect, Plane}>  $planes
     * @param  bool  $keepsIn  whether it is laid in the chosen regions alone; what glows reaches beyond those it comes
     *     from
     */
    private function lay(Sheet $sheet, LayerName $layer, string $id, array $planes, bool $keepsIn = true): void
    {
        $only = $keepsIn && $this->only !== [] ? new RegionCoverage($sheet, $this->only) : null;
        $byTile = self::byTile($planes);
        [$computed, $added, $erased] = [LayerName::computed($id), LayerName::added($id), LayerName::erased($id)];
        $there = $sheet->tilesOf($layer, $computed, $added, $erased);
        foreach ($sheet->grid()->all() as [$column, $row]) {
            $pieces = $byTile["$column,$row"] ?? [];
            if ($pieces === [] && ! isset($there["$column,$row"])) {
                continue;
            }
            $tile = TileGrid::rect($column, $row);
            $now = $sheet->tile($layer, $column, $row);
            $before = $sheet->tile($computed, $column, $row);
            // No hand has gone over what was computed, as is the rule.
            $isUntouched =
                $now === $before &&
                $sheet->tile($added, $column, $row) === null &&
                $sheet->tile($erased, $column, $row) === null;
            $anew = self::onTile($pieces, $tile);
            if ($only !== null) {
                $mask = $only->cut($tile) ?? str_repeat("\0", strlen($anew));
                $anew = ($anew & $mask) | (($before ?? str_repeat("\0", strlen($anew))) & ~$mask);
            }
            if ($isUntouched) {
                $sheet->setTile($layer, $column, $row, $anew);
                $sheet->setTile($computed, $column, $row, $anew);

                continue;
            }
            $hand = new ManualEdits($sheet->bytes($added, $column, $row), $sheet->bytes($erased, $column, $row));
            $hand = $hand->goneOn(
                $hand->on($sheet->bytes($computed, $column, $row)),
                $sheet->bytes($layer, $column, $row),
            );
            $sheet->setTile($layer, $column, $row, $hand->on($anew));
            $sheet->setTile($computed, $column, $row, $anew);
            $sheet->setTile($added, $column, $row, $hand->added);
            $sheet->setTile($erased, $column, $row, $hand->erased);
        }
    }

    /**
     * @param  list<array{Rect, Plane}>  $planes
     * @return array<string, list<array{Rect, Plane}>> those that reach into a tile, by "column,row"
     */
    private static function byTile(array $planes): array
    {
        $byTile = [];
        foreach ($planes as $plane) {
            $where = $plane[0];
            for ($row = intdiv($where->y, TileGrid::SIZE); $row * TileGrid::SIZE < $where->bottom(); $row++) {
                for (
                    $column = intdiv($where->x, TileGrid::SIZE);
                    $column * TileGrid::SIZE < $where->right();
                    $column++
                ) {
                    $byTile["$column,$row"][] = $plane;
                }
            }
        }

        return $byTile;
    }

    /** @param  list<array{Rect, Plane}>  $planes  that reach into it */
    private static function onTile(array $planes, Rect $tile): string
    {
        $data = str_repeat("\0", TileGrid::PIXELS);
        foreach ($planes as [$where, $plane]) {
            $data |= Bytes::crop(
                $plane->data,
                $plane->width,
                $plane->height,
                new Rect($tile->x - $where->x, $tile->y - $where->y, $tile->width, $tile->height),
                1,
            );
        }

        return $data;
    }
}
