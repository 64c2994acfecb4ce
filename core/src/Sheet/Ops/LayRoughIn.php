<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Colour\Tone;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\PassRules;
use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Scope;
use Awning\Core\Page\ToneContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Lays a computed light on a figure, as four ordinary passes. Passes that an earlier one hung keep their place, mode and
 * opacity, and get the new coverage; whatever else hangs there, painted by hand, is not touched.
 */
final readonly class LayRoughIn implements Op
{
    /** What the passes' ids begin with: paint that is meant for a tone goes into a pass of its own. */
    public const PREFIX = 'rough';

    /**
     * @param  Rect  $where  of the page the light was worked out for; around it there is nothing of the figure
     * @param  string  $name  of the figure, for the journal
     */
    public function __construct(private int $figure, private string $name, private Rect $where, private RoughIn $rough)
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

    public function apply(Sheet $sheet): void
    {
        if ($this->rough->shade->width !== $this->where->width || $this->rough->shade->height !== $this->where->height) {
            throw new OpRefused('The light was worked out for another place of the page.');
        }
        foreach ($this->passes() as $kind => [$pass, $coverage]) {
            $id = self::PREFIX.$this->figure.$kind;
            if ($sheet->find(PassSpec::class, $id) === null) {
                (new AddPass($id, $pass))->apply($sheet);
            }
            $this->lay($sheet, $pass, $id, $coverage);
        }
    }

    /** @return array<string, array{PassSpec, Plane}> */
    private function passes(): array
    {
        $scope = Scope::figure($this->figure);

        return [
            'shade' => [new PassSpec('Rough shade', $this->figure, new ToneContent(Tone::Shade), $scope), $this->rough->shade],
            'occlusion' => [PassRules::onFigure('Occlusion', 'Rough occlusion', $this->figure), $this->rough->occlusion],
            'light' => [new PassSpec('Rough light', $this->figure, new ToneContent(Tone::Light), $scope), $this->rough->light],
            'rim' => [PassRules::onFigure('Rim', 'Rough rim', $this->figure), $this->rough->rim],
        ];
    }

    private function lay(Sheet $sheet, PassSpec $pass, string $id, Plane $coverage): void
    {
        $layer = $pass->layer($id);
        foreach ($sheet->grid()->all() as [$column, $row]) {
            $tile = TileGrid::rect($column, $row);
            $here = new Rect($tile->x - $this->where->x, $tile->y - $this->where->y, $tile->width, $tile->height);
            $bytes = Bytes::crop($coverage->data, $coverage->width, $coverage->height, $here, 1);
            $sheet->setTile($layer, $column, $row, strspn($bytes, "\0") === strlen($bytes) ? null : $bytes);
        }
    }
}
