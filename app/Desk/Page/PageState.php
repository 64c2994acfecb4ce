<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Palette\SeriesBrushes;
use App\Desk\Palette\SeriesPalette;
use App\Models\Page;
use App\Models\Role;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Mood\HeldMood;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassRules;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;

/**
 * All that a window needs to open a page on the bench.
 *
 * @phpstan-import-type PaletteState from SeriesPalette
 * @phpstan-import-type JournalState from Journal
 * @phpstan-import-type PassRulesData from PassRules
 * @phpstan-import-type SizeData from PageSize
 * @phpstan-import-type RegionData from Region
 * @phpstan-import-type BridgeData from Bridge
 * @phpstan-import-type PassData from PassSpec
 * @phpstan-import-type GroupData from PassGroup
 * @phpstan-import-type DrawingData from Drawing
 * @phpstan-import-type InkStrokeData from InkStroke
 * @phpstan-import-type ShiftData from ColourShift
 * @phpstan-import-type HeldMoodData from HeldMood
 *
 * @phpstan-type TileNames array<string, array<string, string>>
 * @phpstan-type WaitingScan array{id: int, name: string}
 * @phpstan-type SeriesHead array{id: int, name: string, readWidth: int, readPpi: int}
 * @phpstan-type RecordsState array{page: array<string, SizeData>, region: array<string, RegionData>,
 *     bridge: array<string, BridgeData>, pass: array<string, PassData>, group: array<string, GroupData>,
 *     drawing: array<string, DrawingData>, stroke: array<string, InkStrokeData>, shift: array<string, ShiftData>,
 *     held: array<string, HeldMoodData>}
 *
 * @phpstan-import-type BoxedBrush from BrushBox
 *
 * @phpstan-type PageStateData array{id: int, number: int, title: string, revision: int, series: SeriesHead,
 *     role: value-of<Role>|null, records: RecordsState, tiles: list<TileNames>, palette: PaletteState,
 *     journal: JournalState, rules: PassRulesData, brushes: list<BoxedBrush>, waiting: ?WaitingScan}
 */
final readonly class PageState
{
    public function __construct(private Page $page)
    {
    }

    /** @return array<key-of<PageStateData>, mixed> encoded, it is a PageStateData */
    public function toClient(?Role $role): array
    {
        $page = $this->page;
        $store = new PageStore($page);
        $records = [];
        foreach (RecordKind::cases() as $kind) {
            $records[$kind->value] = (object) array_map(
                fn (Record $record): array => $record->toData(),
                $store->records($kind),
            );
        }

        return [
            'id' => $page->id,
            'number' => $page->number,
            'title' => $page->title,
            'revision' => $page->revision,
            'series' => $this->series(),
            'role' => $role?->value,
            'records' => $records,
            'tiles' => array_map(
                fn (int $level): object => (object) (new Pyramid($store, $level))->names(),
                range(0, Pyramid::HIGHEST),
            ),
            'palette' => SeriesPalette::of($page)->toClient(),
            'journal' => (new Journal($page))->toClient(),
            'rules' => PassRules::toData(),
            'brushes' => (new SeriesBrushes($page->series))->toClient(),
            'waiting' => $this->waiting(),
        ];
    }

    /** @return SeriesHead */
    private function series(): array
    {
        $series = $this->page->series;

        return [
            'id' => $series->id,
            'name' => $series->name,
            'readWidth' => $series->read_width_mm,
            'readPpi' => $series->read_ppi,
        ];
    }

    /** @return ?WaitingScan a scan that was left with the page and is not imported yet */
    private function waiting(): ?array
    {
        $original = $this->page->width === null ? $this->page->originals()->latest('id')->first() : null;

        return $original === null ? null : ['id' => $original->id, 'name' => $original->name];
    }
}
