<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Flats\FlatsResult;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Page\Bridge;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Region;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Lays cleaned line art and its flats on the page: an import, or a new setting of the clean-up. What regions were
 * filled with stays with the regions that now lie there.
 */
final readonly class LayInk implements Op
{
    /**
     * @param  float  $dpi  0 when the scan does not say
     * @param  ?int  $original  the file it was read from; null when the kept scan was cleaned again
     */
    public function __construct(private string $title, private CleanScan $scan, private FlatsResult $flats, private float $dpi, private ?int $original = null)
    {
    }

    public static function kind(): string
    {
        return 'ink.lay';
    }

    public static function form(): int
    {
        return 1;
    }

    public function toInput(): array
    {
        return ['original' => $this->original, 'paper' => $this->scan->levels->paper, 'ink' => $this->scan->levels->ink, 'dpi' => $this->dpi];
    }

    public function title(): string
    {
        return $this->title;
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function apply(Sheet $sheet): void
    {
        $size = new PageSize($this->scan->ink->width, $this->scan->ink->height, $this->dpi, $this->scan->levels->paper, $this->scan->levels->ink);
        $old = $sheet->find(PageSize::class, PageSize::KEY);
        $sameSize = $old === null || $old->fits($size);
        if ($old !== null && ! $sameSize && $sheet->all(PassSpec::class) !== []) {
            throw new OpRefused(sprintf(
                'This scan is %d x %d px; the page is %d x %d px and has painting on it. Import it into a new page, or scan it at the same size.',
                $size->width, $size->height, $old->width, $old->height,
            ));
        }
        $regions = $this->withFills($sheet);
        if (! $sameSize) {
            foreach ([LayerName::scan(), LayerName::ink(), LayerName::flats()] as $layer) {
                $sheet->clearLayer($layer);
            }
        }
        $sheet->put(PageSize::KEY, $size);
        $sheet->setLayer(LayerName::scan(), $this->scan->darkness->data);
        $sheet->setLayer(LayerName::ink(), $this->scan->ink->data);
        $sheet->setLayer(LayerName::flats(), $this->flats->labels->data);
        $this->replace($sheet, Region::class, $regions);
        $this->replace($sheet, Bridge::class, $this->numbered($this->flats->bridges));
    }

    /**
     * @param  list<Bridge>  $bridges
     * @return array<int, Bridge> from 1
     */
    private function numbered(array $bridges): array
    {
        return $bridges === [] ? [] : array_combine(range(1, count($bridges)), $bridges);
    }

    /** @return array<int, Region> the regions found, with what now lies there filled as it was */
    private function withFills(Sheet $sheet): array
    {
        $before = $sheet->all(Region::class);
        if ($before === []) {
            return $this->flats->regions;
        }

        return array_map(function (Region $region) use ($before, $sheet): Region {
            $old = $before[$sheet->labelAt($region->x, $region->y)] ?? null;

            return $old === null ? $region : $region->filled($old->figure, $old->material);
        }, $this->flats->regions);
    }

    /**
     * @param  class-string<Region|Bridge>  $class
     * @param  array<int, Region|Bridge>  $records
     */
    private function replace(Sheet $sheet, string $class, array $records): void
    {
        foreach (array_keys(array_diff_key($sheet->all($class), $records)) as $gone) {
            $sheet->remove($class, $gone);
        }
        foreach ($records as $key => $record) {
            $sheet->put($key, $record);
        }
    }
}
