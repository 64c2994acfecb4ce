<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraNode;
use Awning\Core\Codec\OraStack;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\SourceCanvas;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\DepthPlane;
use Awning\Core\Compose\Layers\Ground;
use Awning\Core\Compose\Layers\GroupLayer;
use Awning\Core\Compose\Layers\Layer;
use Awning\Core\Compose\Layers\PassLayer;
use Awning\Core\Compose\PageStack;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Sheet;

/**
 * Writes a page as OpenRaster: paper; each figure from far to near, its flats and its passes; ink; what lies above.
 * Clips are cut into the layers' alpha and colour holds into the ink's colour, since the format knows neither.
 */
final readonly class LayeredExport
{
    /** @param  array<int, string>  $figures  name by id */
    public function __construct(private Sheet $sheet, private PageStack $stack, private array $figures)
    {
    }

    public function write(string $path, Paint $merged, float $dpi): void
    {
        $writer = new OpenRasterWriter($path);
        $children = [$writer->layer(Paint::solid($merged->width, $merged->height, [255, 255, 255]), 'Paper')];
        $inUse = array_flip(array_map(fn ($flat): int => $flat->figure, $this->stack->flats));
        foreach ($this->stack->planes as $plane) {
            array_push($children, ...$this->nodes($writer, $plane->behind));
            if (isset($inUse[$plane->figure])) {
                $children[] = $writer->layer(
                    $this->flats($plane),
                    ($this->figures[$plane->figure] ?? "Figure $plane->figure").' flats',
                );
            }
            array_push($children, ...$this->nodes($writer, $plane->layers));
        }
        if ($this->stack->showInk) {
            $children[] = $writer->layer(
                $this->drawn(
                    fn (Canvas $canvas, Ground $ground) => (new Compositor)->layInk($canvas, $this->stack, $ground),
                ),
                'Ink',
                operator: $this->operator($this->stack->inkMode),
            );
        }
        array_push($children, ...$this->nodes($writer, $this->stack->above));
        $writer->finish(new OraStack($children), $merged, $dpi);
    }

    /**
     * @param  list<Layer>  $layers
     * @return list<OraNode>
     */
    private function nodes(OpenRasterWriter $writer, array $layers): array
    {
        $out = [];
        foreach ($layers as $layer) {
            if (self::alters($layer)) {
                array_push($out, ...$this->asItLooks($writer, $layer));
            } elseif ($layer instanceof GroupLayer) {
                $group = $layer->group;
                $out[] = new OraStack(
                    $this->nodes($writer, $layer->members),
                    'Group',
                    $group->isolated,
                    opacity: $group->opacity,
                    operator: $this->operator($group->mode),
                );
            } elseif ($layer instanceof PassLayer) {
                $pass = $layer->spec;
                $out[] = $writer->layer(
                    $this->drawn($layer->source(...)),
                    $pass->name,
                    $pass->opacity,
                    $pass->visible,
                    $this->operator($pass->mode),
                );
            }
        }

        return $out;
    }

    /**
     * What alters the picture beneath it cannot be said in the format: the altered picture is written in its place.
     * Rolled up, it is left out.
     *
     * @return list<OraNode>
     */
    private function asItLooks(OpenRasterWriter $writer, Layer $layer): array
    {
        if ($layer instanceof PassLayer && ! $layer->spec->visible) {
            return [];
        }

        return [
            $writer->layer(
                (new SheetPicture)->compose($this->sheet, $this->stack->through($layer)),
                $layer instanceof PassLayer ? $layer->spec->name : 'Group',
            ),
        ];
    }

    private static function alters(Layer $layer): bool
    {
        return match (true) {
            $layer instanceof PassLayer => $layer->spec->content->kind()->alters(),
            $layer instanceof GroupLayer => array_filter($layer->members, self::alters(...)) !== [],
            default => false,
        };
    }

    private function operator(BlendMode $mode): string
    {
        return match ($mode) {
            BlendMode::Normal => 'src-over',
            BlendMode::PlusLighter => 'plus',
            default => $mode->value,
        };
    }

    private function flats(DepthPlane $plane): Paint
    {
        return $this->drawn(function (Canvas $canvas, Ground $ground) use ($plane): void {
            $spans = $ground->flats->inside(Scope::figure($plane->figure), Tone::Base);
            if ($spans !== []) {
                $canvas->cover($spans);
            }
        });
    }

    /** @param  callable(Canvas, Ground): mixed  $draw  lays at most one thing */
    private function drawn(callable $draw): Paint
    {
        $grid = $this->sheet->grid();
        $planes = [[], [], [], []];
        foreach ($grid->all() as [$column, $row]) {
            $ground = new Ground(new SheetBlock($this->sheet, $column, $row), $this->stack->flats);
            $canvas = new SourceCanvas($ground->count);
            $draw($canvas, $ground);
            $pixels = $canvas->source();
            if ($pixels !== null) {
                foreach ([$pixels->red, $pixels->green, $pixels->blue, $pixels->alphas()] as $i => $plane) {
                    $planes[$i]["$column,$row"] = $plane;
                }
            }
        }
        $joined = array_map(
            fn (array $tiles): string => $grid->join(
                fn (int $column, int $row): ?string => $tiles["$column,$row"] ?? null,
            ),
            $planes,
        );

        return new Paint($grid->width, $grid->height, ...$joined);
    }
}
