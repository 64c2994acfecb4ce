<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraNode;
use Awning\Core\Codec\OraStack;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\BlendMode;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\FlatSpans;
use Awning\Core\Compose\Node;
use Awning\Core\Compose\PageStack;
use Awning\Core\Compose\Pass;
use Awning\Core\Compose\PassGroup;
use Awning\Core\Compose\Pixels;
use Awning\Core\Compose\Scope;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;

/**
 * Writes a page as OpenRaster: paper, the flats of each figure, every pass with its blend mode and opacity, ink. Clips
 * are cut into the layers' alpha and colour holds into the ink's colour, since the format knows neither.
 */
final readonly class LayeredExport
{
    /** @param  array<int, string>  $figures name by id */
    public function __construct(private Sheet $sheet, private PageStack $stack, private array $figures)
    {
    }

    public function write(string $path, Paint $merged, float $dpi): void
    {
        $writer = new OpenRasterWriter($path);
        $children = [$writer->layer(Paint::solid($merged->width, $merged->height, [255, 255, 255]), 'Paper')];
        $ids = array_unique(array_map(fn ($flat): int => $flat->figure, $this->stack->flats));
        sort($ids);
        foreach ($ids as $id) {
            $name = ($this->figures[$id] ?? "Figure $id").' flats';
            $children[] = $writer->layer($this->layer(fn (SheetBlock $block): ?Pixels => $this->flats($block, $id)), $name);
        }
        array_push($children, ...$this->nodes($writer, $this->stack->figures));
        if ($this->stack->showInk) {
            $children[] = $writer->layer($this->layer($this->ink(...)), 'Ink');
        }
        array_push($children, ...$this->nodes($writer, $this->stack->above));
        $writer->finish(new OraStack($children), $merged, $dpi);
    }

    /**
     * @param  list<Node>  $nodes
     * @return list<OraNode>
     */
    private function nodes(OpenRasterWriter $writer, array $nodes): array
    {
        $out = [];
        foreach ($nodes as $node) {
            if ($node instanceof PassGroup) {
                $out[] = new OraStack(
                    $this->nodes($writer, $node->children), 'Group', $node->isolated,
                    opacity: $node->opacity, visible: $node->visible, operator: $this->operator($node->mode),
                );
            } elseif ($node instanceof Pass) {
                $fact = $this->sheet->fact(FactKind::Pass, substr($node->layer, (int) strpos($node->layer, ':') + 1));
                $out[] = $writer->layer(
                    $this->layer(fn (SheetBlock $block): ?Pixels => $this->pass($block, $node)),
                    is_string($fact['name'] ?? null) ? $fact['name'] : $node->layer,
                    $node->opacity, $node->visible, $this->operator($node->mode),
                );
            }
        }

        return $out;
    }

    private function operator(BlendMode $mode): string
    {
        return match ($mode) {
            BlendMode::Normal => 'src-over',
            BlendMode::PlusLighter => 'plus',
            default => $mode->value,
        };
    }

    /** @param  callable(SheetBlock): ?Pixels  $tile */
    private function layer(callable $tile): Paint
    {
        $grid = $this->sheet->grid();
        $planes = [[], [], [], []];
        foreach ($grid->all() as [$column, $row]) {
            $pixels = $tile(new SheetBlock($this->sheet, $column, $row));
            if ($pixels !== null) {
                foreach ([$pixels->red, $pixels->green, $pixels->blue, $pixels->alphas()] as $i => $plane) {
                    $planes[$i]["$column,$row"] = $plane;
                }
            }
        }
        $joined = array_map(fn (array $tiles): string => $grid->join(fn (int $column, int $row): ?string => $tiles["$column,$row"] ?? null), $planes);

        return new Paint($grid->width, $grid->height, ...$joined);
    }

    private function spans(SheetBlock $block): FlatSpans
    {
        $labels = $block->labels();

        return new FlatSpans($labels === null ? [[0, $block->size(), 0]] : Labels::spans($labels), $this->stack->flats, $block->size());
    }

    private function flats(SheetBlock $block, int $figure): ?Pixels
    {
        $spans = $this->spans($block)->inside(Scope::figure($figure), Tone::Base);

        return $spans === [] ? null : $this->spans($block)->coloured($spans, str_repeat("\xff", $block->size()));
    }

    private function pass(SheetBlock $block, Pass $pass): ?Pixels
    {
        $spans = $this->spans($block);
        if ($pass->colour === null) {
            $paint = $block->paint($pass->layer);

            return $paint === null ? null : $spans->clip($paint, $pass->scope);
        }
        $coverage = $block->coverage($pass->layer);

        return $coverage === null ? null : $spans->coloured($spans->inside($pass->scope, $pass->colour), $coverage);
    }

    private function ink(SheetBlock $block): ?Pixels
    {
        $ink = $block->coverage(Compositor::INK);
        if ($ink === null) {
            return null;
        }
        $colours = (new Compositor)->inkColours($this->stack, $block);

        return new Pixels($block->size(), $colours->red, $colours->green, $colours->blue, $ink);
    }
}
