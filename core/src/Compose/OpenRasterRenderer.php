<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\OraLayer;
use Awning\Core\Codec\OraNode;
use Awning\Core\Codec\OraStack;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Compose\Blend\Operator;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Rect;

/**
 * Composites the layers of an OpenRaster file. A stack that is not isolated and has neither an opacity nor an operator
 * of its own lays its layers straight onto what is below; every other is made by itself first. Offsets of a nested
 * stack add to those of its layers.
 */
final class OpenRasterRenderer
{
    private const BAND = 128;

    /** @var array<string, Paint> */
    private array $pictures = [];

    public function __construct(private readonly OpenRasterFile $file)
    {
    }

    /** @throws UnreadableImage */
    public function render(): Paint
    {
        $planes = ['', '', '', ''];
        for ($y = 0; $y < $this->file->height; $y += self::BAND) {
            $band = new Rect(0, $y, $this->file->width, min(self::BAND, $this->file->height - $y));
            $canvas = new ExactCanvas(Pixels::clear($band->width * $band->height));
            $this->children($canvas, $this->file->root, $band);
            $pixels = $canvas->pixels();
            foreach ([$pixels->red, $pixels->green, $pixels->blue, $pixels->alphas()] as $i => $plane) {
                $planes[$i] .= $plane;
            }
        }

        return new Paint($this->file->width, $this->file->height, ...$planes);
    }

    private function children(ExactCanvas $canvas, OraStack $stack, Rect $band): void
    {
        foreach ($stack->children as $child) {
            if ($child->visible) {
                $this->lay($canvas, $child, $band);
            }
        }
    }

    private function lay(ExactCanvas $canvas, OraNode $node, Rect $band): void
    {
        if ($node instanceof OraStack) {
            $inner = new Rect($band->x - $node->x, $band->y - $node->y, $band->width, $band->height);
            if (! $node->isolated) {
                $this->children($canvas, $node, $inner);

                return;
            }
            $source = new ExactCanvas(Pixels::clear($band->width * $band->height));
            $this->children($source, $node, $inner);
            $this->blend($canvas, $source, $node);
        } elseif ($node instanceof OraLayer) {
            $this->layLayer($canvas, $node, $band);
        }
    }

    private function layLayer(ExactCanvas $canvas, OraLayer $layer, Rect $band): void
    {
        $operator = $this->operator($layer);
        $part = $this->part($layer, $band);
        if (! ($operator instanceof BlendMode)) {
            $canvas->operate(
                new ExactCanvas($part ?? Pixels::clear($band->width * $band->height)),
                $operator,
                $layer->opacity,
            );
        } elseif ($part !== null) {
            $canvas->paint($part, $operator, $layer->opacity);
        }
    }

    private function blend(ExactCanvas $canvas, ExactCanvas $source, OraNode $node): void
    {
        $operator = $this->operator($node);
        $operator instanceof BlendMode
            ? $canvas->lay($source, null, $operator, $node->opacity)
            : $canvas->operate($source, $operator, $node->opacity);
    }

    private function part(OraLayer $layer, Rect $band): ?Pixels
    {
        $picture = $this->pictures[$layer->entry] ??= $this->file->picture($layer);
        $here = new Rect($band->x - $layer->x, $band->y - $layer->y, $band->width, $band->height);
        if ($here->intersect(new Rect(0, 0, $picture->width, $picture->height))->isEmpty()) {
            return null;
        }
        $part = $picture->crop($here);

        return new Pixels($band->width * $band->height, $part->red, $part->green, $part->blue, $part->alpha);
    }

    private function operator(OraNode $node): BlendMode|Operator
    {
        return match ($node->operator) {
            'src-over' => BlendMode::Normal,
            'plus' => BlendMode::PlusLighter,
            default => BlendMode::tryFrom($node->operator) ??
                (Operator::tryFrom($node->operator) ??
                    throw new UnreadableImage(
                        "The layer \"$node->name\" is laid by \"$node->operator\", which is not among the operators of the standard.",
                    )),
        };
    }
}
