<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Flats\FlatsResult;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;

/**
 * Lays cleaned line art and its flats on the page: an import, or a new setting of the clean-up. What regions were
 * filled with stays with the regions that now lie there.
 */
final readonly class LayInk implements Op
{
    /**
     * @param  float  $dpi  0 when the scan does not say
     */
    public function __construct(private string $title, private CleanScan $scan, private FlatsResult $flats, private float $dpi)
    {
    }

    public function title(): string
    {
        return $this->title;
    }

    public function apply(Sheet $sheet): void
    {
        $width = $this->scan->ink->width;
        $height = $this->scan->ink->height;
        $old = $sheet->fact(FactKind::Page, 'page');
        $sameSize = $old !== null && $old['width'] === $width && $old['height'] === $height;
        if ($old !== null && ! $sameSize && $sheet->facts(FactKind::Pass) !== []) {
            throw new OpRefused(sprintf(
                'This scan is %d x %d px; the page is %d x %d px and has painting on it. Import it into a new page, or scan it at the same size.',
                $width, $height, $sheet->grid()->width, $sheet->grid()->height,
            ));
        }
        $fills = $this->carriedFills($sheet);
        if ($old !== null && ! $sameSize) {
            foreach ([Sheet::SCAN, Sheet::INK, Sheet::FLATS] as $layer) {
                $sheet->clearLayer($layer);
            }
        }
        $sheet->setFact(FactKind::Page, 'page', [
            'width' => $width, 'height' => $height, 'dpi' => $this->dpi,
            'paper' => $this->scan->levels->paper, 'ink' => $this->scan->levels->ink,
        ]);
        $sheet->setLayer(Sheet::SCAN, $this->scan->darkness->data);
        $sheet->setLayer(Sheet::INK, $this->scan->ink->data);
        $sheet->setLayer(Sheet::FLATS, $this->flats->labels->data);
        $this->setRegions($sheet, $fills);
        $this->setBridges($sheet);
    }

    /** @return array<int, array{figure: int, material: int}> by new label */
    private function carriedFills(Sheet $sheet): array
    {
        $fills = [];
        $regions = $sheet->facts(FactKind::Region);
        if ($regions !== []) {
            foreach ($this->flats->regions as $region) {
                $old = $regions[$sheet->labelAt($region->x, $region->y)] ?? null;
                if ($old !== null && is_int($old['figure']) && is_int($old['material']) && $old['material'] > 0) {
                    $fills[$region->label] = ['figure' => $old['figure'], 'material' => $old['material']];
                }
            }
        }

        return $fills;
    }

    /** @param  array<int, array{figure: int, material: int}>  $fills */
    private function setRegions(Sheet $sheet, array $fills): void
    {
        $left = $sheet->facts(FactKind::Region);
        foreach ($this->flats->regions as $region) {
            unset($left[$region->label]);
            $sheet->setFact(FactKind::Region, $region->label, [
                'figure' => $fills[$region->label]['figure'] ?? 0, 'material' => $fills[$region->label]['material'] ?? 0,
                'area' => $region->area, 'x' => $region->x, 'y' => $region->y,
            ]);
        }
        foreach (array_keys($left) as $label) {
            $sheet->setFact(FactKind::Region, $label, null);
        }
    }

    private function setBridges(Sheet $sheet): void
    {
        $left = $sheet->facts(FactKind::Bridge);
        foreach ($this->flats->bridges as $number => $bridge) {
            unset($left[$number + 1]);
            $sheet->setFact(FactKind::Bridge, $number + 1, ['x1' => $bridge->x1, 'y1' => $bridge->y1, 'x2' => $bridge->x2, 'y2' => $bridge->y2]);
        }
        foreach (array_keys($left) as $number) {
            $sheet->setFact(FactKind::Bridge, $number, null);
        }
    }
}
