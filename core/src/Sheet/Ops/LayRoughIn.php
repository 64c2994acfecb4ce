<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Light\Glow;
use Awning\Core\Light\HandWork;
use Awning\Core\Light\LightPlan;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\BlendMode;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\LightPart;
use Awning\Core\Page\PassRules;
use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Scope;
use Awning\Core\Page\TintContent;
use Awning\Core\Page\ToneContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\RegionCoverage;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Lays a computed light on a figure, as ordinary passes. Passes that an earlier one hung keep their place, mode and opacity, and
 * get the new coverage, and the new colour while nobody has given them another; what a hand added to them or erased from them is kept, and whatever else hangs there is not touched.
 */
final readonly class LayRoughIn implements Op
{
    /** What the passes' ids begin with: paint that is meant for a tone goes into a pass of its own. */
    public const PREFIX = 'rough';

    /** What is computed lies wherever things touch: it is hung fainter than what a hand paints. */
    private const OCCLUSION = 0.35;

    /** Lines in full light are still seen. */
    private const LINES = 0.75;

    /** What shines brightens all about it, and burns nothing out: where two glow, they do not add up to more than white. */
    private const GLOW = 0.6;

    /** A lamp's light on what is near it. */
    private const LAMP = 0.6;

    /**
     * @param  string  $name  of the figure, for the journal
     * @param  list<array{Rect, RoughIn}>  $pieces  places of the page and the light on each; around them there is nothing of the figure
     * @param  ?Glow  $glow  of what shines
     * @param  ?Rgb  $bounce  the colour of bounced light; null: what comes from all around
     * @param  LightPlan  $plan  passes that are hung for it take its colours
     * @param  list<int>  $only  regions it is laid in; none: all of the figure
     */
    public function __construct(private int $figure, private string $name, private array $pieces, private LightPlan $plan, private array $only = [], private ?Glow $glow = null, private ?Rgb $bounce = null)
    {
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
        return "Rough in the light on $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    /** @return list<string> ids of the passes it may hang */
    public function ids(): array
    {
        return array_map(fn (string $kind): string => self::PREFIX.$this->figure.$kind, array_keys($this->passes()));
    }

    /** Where on the page there is light of it. */
    public function bounds(): Rect
    {
        return Rect::around(array_column([...$this->pieces, ...$this->glowing()], 0));
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($this->pieces as [$where, $rough]) {
            if ($rough->shade->width !== $where->width || $rough->shade->height !== $where->height) {
                throw new OpRefused('The light was worked out for another place of the page.');
            }
        }
        foreach ($this->passes() as $kind => [$pass, $coverage]) {
            $id = self::PREFIX.$this->figure.$kind;
            $there = $sheet->find(PassSpec::class, $id);
            $planes = $coverage === null ? $this->glowing() : array_map(fn (array $piece): array => [$piece[0], $coverage($piece[1])], $this->pieces);
            if ($there === null && array_filter($planes, fn (array $plane): bool => strspn($plane[1]->data, "\0") < strlen($plane[1]->data)) === []) {
                continue;
            }
            if ($there === null) {
                (new AddPass($id, $pass))->apply($sheet);
            } elseif ($there->content instanceof TintContent && $there->content->follows === LightPart::Given && $pass->content instanceof TintContent) {
                $sheet->put($id, $there->showing($pass->content));
            }
            // What glows reaches beyond the regions it comes from.
            $this->lay($sheet, $pass->layer($id), $id, $planes, $coverage === null || $this->only === [] ? null : new RegionCoverage($sheet, $this->only));
        }
    }

    /** @return array<string, array{PassSpec, ?\Closure(RoughIn): Plane}> as they lie over each other, bottom up; null: what glows */
    private function passes(): array
    {
        $tone = fn (string $name, Tone $tone): PassSpec => new PassSpec($name, $this->figure, new ToneContent($tone), Scope::figure($this->figure));
        $tint = fn (string $offered, string $name, ?Rgb $colour = null): PassSpec => $colour === null ? PassRules::onFigure($offered, $name, $this->figure)
            : PassRules::onFigure($offered, $name, $this->figure)->showing(new TintContent($colour, LightPart::Given));

        $lamps = [];
        foreach ($this->plan->lamps as $i => $lamp) {
            $number = $i + 1;
            $name = count($this->plan->lamps) === 1 ? 'Lamp, rough' : "Lamp $number, rough";
            $lamps["lamp$number"] = [$tint('Rim', $name, $lamp->colour)->changed(new Data(['opacity' => self::LAMP])), fn (RoughIn $rough): Plane => $rough->lamps[$i]];
        }

        return [
            'shade' => [$tone('Shade, rough', Tone::Shade), fn (RoughIn $rough): Plane => $rough->shade],
            'cast' => [$tone('Cast, rough', Tone::Shade), fn (RoughIn $rough): Plane => $rough->cast],
            'deep' => [$tone('Deep, rough', Tone::Deep), fn (RoughIn $rough): Plane => $rough->deep],
            'occlusion' => [$tint('Occlusion', 'Occlusion, rough')->changed(new Data(['opacity' => self::OCCLUSION])), fn (RoughIn $rough): Plane => $rough->occlusion],
            'bounce' => [$tint('Bounce', 'Bounce, rough', $this->bounce ?? $this->plan->ambient), fn (RoughIn $rough): Plane => $rough->bounce],
            'light' => [$tone('Light, rough', Tone::Light), fn (RoughIn $rough): Plane => $rough->light],
            'glint' => [$tone('Glint, rough', Tone::Glint), fn (RoughIn $rough): Plane => $rough->glint],
            'rim' => [$tint('Rim', 'Rim, rough', $this->plan->back->colour ?? $this->plan->colour), fn (RoughIn $rough): Plane => $rough->rim],
            'lines' => [$tone('Lines in the light, rough', Tone::Light)->clippedTo(Scope::ink())->changed(new Data(['opacity' => self::LINES])), fn (RoughIn $rough): Plane => $rough->lines],
        ] + $lamps + [
            'glow' => [$tint('Glow', 'Glow, rough', $this->glow?->colour)->clippedTo(Scope::page())->changed(new Data(['mode' => BlendMode::Screen->value, 'opacity' => self::GLOW])), null],
        ];
    }

    /** @return list<array{Rect, Plane}> */
    private function glowing(): array
    {
        return $this->glow === null ? [] : [[$this->glow->where, $this->glow->coverage]];
    }

    /** @param  list<array{Rect, Plane}>  $planes */
    private function lay(Sheet $sheet, LayerName $layer, string $id, array $planes, ?RegionCoverage $only): void
    {
        foreach ($sheet->grid()->all() as [$column, $row]) {
            $tile = TileGrid::rect($column, $row);
            $pieces = array_filter($planes, fn (array $plane): bool => ! $plane[0]->intersect($tile)->isEmpty());
            $isUntouched = $this->isUntouched($sheet, $layer, $id, $column, $row);
            if ($pieces === [] && $isUntouched && $sheet->tile($layer, $column, $row) === null) {
                continue;
            }
            $anew = self::onTile($pieces, $tile);
            $before = $sheet->bytes(LayerName::computed($id), $column, $row);
            if ($only !== null) {
                $mask = $only->cut($tile) ?? str_repeat("\0", strlen($anew));
                $anew = ($anew & $mask) | ($before & ~$mask);
            }
            if ($isUntouched) {
                $sheet->setTile($layer, $column, $row, $anew);
                $sheet->setTile(LayerName::computed($id), $column, $row, $anew);

                continue;
            }
            $hand = new HandWork($sheet->bytes(LayerName::added($id), $column, $row), $sheet->bytes(LayerName::gone($id), $column, $row));
            $hand = $hand->goneOn($hand->on($before), $sheet->bytes($layer, $column, $row));
            $sheet->setTile($layer, $column, $row, $hand->on($anew));
            $sheet->setTile(LayerName::computed($id), $column, $row, $anew);
            $sheet->setTile(LayerName::added($id), $column, $row, $hand->added);
            $sheet->setTile(LayerName::gone($id), $column, $row, $hand->gone);
        }
    }

    /** Whether no hand has gone over what was computed of a tile, as is the rule. */
    private function isUntouched(Sheet $sheet, LayerName $layer, string $id, int $column, int $row): bool
    {
        return $sheet->tile(LayerName::added($id), $column, $row) === null && $sheet->tile(LayerName::gone($id), $column, $row) === null
            && $sheet->tile($layer, $column, $row) === $sheet->tile(LayerName::computed($id), $column, $row);
    }

    /** @param  array<int, array{Rect, Plane}>  $planes  that reach into it */
    private static function onTile(array $planes, Rect $tile): string
    {
        $data = str_repeat("\0", TileGrid::PIXELS);
        foreach ($planes as [$where, $plane]) {
            $data |= Bytes::crop($plane->data, $plane->width, $plane->height, new Rect($tile->x - $where->x, $tile->y - $where->y, $tile->width, $tile->height), 1);
        }

        return $data;
    }
}
