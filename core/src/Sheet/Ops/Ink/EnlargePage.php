<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Codec\ImageReader;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Regions\Enlargement;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/**
 * Makes the page larger for finer lines: those drawn here are drawn anew, all else is resampled, everything stays in
 * place.
 */
final readonly class EnlargePage implements Op
{
    public const FACTORS = [1.5, 2.0, 3.0];

    public function __construct(private float $factor)
    {
    }

    public static function kind(): string
    {
        return 'page.enlarge';
    }

    public static function form(): int
    {
        return 1;
    }

    /** @return array{factor: float} */
    public function toInput(): array
    {
        return ['factor' => $this->factor];
    }

    public function title(): string
    {
        return "Enlarge the page $this->factor times";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        $from = $sheet->size();
        [$width, $height] = [$from->width * $this->factor, $from->height * $this->factor];
        if (! ImageReader::opens($width, $height)) {
            throw new OpRefused(
                sprintf(
                    'The page would be %d x %d px; the most is %d million pixels and %d px a side. Enlarge it less.',
                    $width,
                    $height,
                    ImageReader::MOST_PIXELS / 1_000_000,
                    ImageReader::LONGEST_SIDE,
                ),
            );
        }
        $enlargement = Enlargement::by($from, $this->factor);
        $size = $enlargement->size();
        $enlarged = [];
        foreach ($this->layers($sheet) as $layer) {
            $enlarged[] = [$layer, $this->enlarged($enlargement, $sheet, $layer)];
            $sheet->clearLayer($layer);
        }
        $sheet->put(PageSize::KEY, $size);
        foreach ($enlarged as [$layer, $planes]) {
            $layer->kind === LayerKind::Paint
                ? $sheet->setPlanes($layer, $planes)
                : $sheet->setLayer($layer, $planes[0]);
        }
        $this->records($sheet, $enlargement);
        $sheet->clearLayer(LayerName::ink());
        (new InkLayers($sheet))->make();
    }

    /** @return list<LayerName> all but the ink, which is summed anew */
    private function layers(Sheet $sheet): array
    {
        $layers = [LayerName::flats()];
        foreach (array_keys($sheet->all(Drawing::class)) as $id) {
            array_push($layers, ...LayerName::allOf((string) $id));
        }
        foreach ($sheet->all(PassSpec::class) as $id => $pass) {
            array_push($layers, $pass->layer((string) $id), ...LayerName::besidesPass((string) $id));
        }

        return $layers;
    }

    /** @return non-empty-list<string> one string, or the planes of paint */
    private function enlarged(Enlargement $enlargement, Sheet $sheet, LayerName $layer): array
    {
        return match ($layer->kind) {
            LayerKind::Labels => [$enlargement->labels($sheet->layer($layer))],
            LayerKind::Coverage => [$enlargement->coverage($sheet->layer($layer))],
            LayerKind::Paint => $enlargement->paint($sheet->planes($layer)),
        };
    }

    private function records(Sheet $sheet, Enlargement $enlargement): void
    {
        foreach ($sheet->all(Region::class) as $key => $region) {
            $sheet->put($key, $enlargement->region($region));
        }
        foreach ($sheet->all(Bridge::class) as $key => $bridge) {
            $sheet->put($key, $enlargement->bridge($bridge));
        }
        foreach ($sheet->all(InkStroke::class) as $key => $stroke) {
            $sheet->put($key, $enlargement->stroke($stroke));
        }
        foreach ($sheet->all(Drawing::class) as $key => $drawing) {
            $sheet->put($key, $enlargement->drawing($drawing));
        }
    }
}
