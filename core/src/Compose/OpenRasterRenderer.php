<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\OraLayer;
use Awning\Core\Codec\OraNode;
use Awning\Core\Codec\OraStack;
use Awning\Core\Codec\UnreadableImage;
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

    public function __construct(private readonly OpenRasterFile $file, private readonly Painting $painting = new Painting)
    {
    }

    /** @throws UnreadableImage */
    public function render(): Paint
    {
        $planes = ['', '', '', ''];
        for ($y = 0; $y < $this->file->height; $y += self::BAND) {
            $band = new Rect(0, $y, $this->file->width, min(self::BAND, $this->file->height - $y));
            $pixels = $this->children($this->file->root, Pixels::clear($band->width * $band->height), $band);
            foreach ([$pixels->red, $pixels->green, $pixels->blue, $pixels->alphas()] as $i => $plane) {
                $planes[$i] .= $plane;
            }
        }

        return new Paint($this->file->width, $this->file->height, ...$planes);
    }

    private function children(OraStack $stack, Pixels $backdrop, Rect $band): Pixels
    {
        foreach ($stack->children as $child) {
            if ($child->visible) {
                $backdrop = $this->lay($backdrop, $child, $band);
            }
        }

        return $backdrop;
    }

    private function lay(Pixels $backdrop, OraNode $node, Rect $band): Pixels
    {
        $operator = $this->operator($node);
        if ($node instanceof OraStack) {
            $inner = new Rect($band->x - $node->x, $band->y - $node->y, $band->width, $band->height);
            if (! $node->isolated) {
                return $this->children($node, $backdrop, $inner);
            }
            $source = $this->children($node, Pixels::clear($backdrop->count), $inner);
        } elseif ($node instanceof OraLayer) {
            $source = $this->part($node, $band);
            if ($source === null && $operator instanceof BlendMode) {
                return $backdrop;
            }
            $source ??= Pixels::clear($backdrop->count);
        } else {
            return $backdrop;
        }

        return $operator instanceof BlendMode
            ? $this->painting->over($backdrop, $source, $operator, $node->opacity)
            : $this->painting->operate($backdrop, $source, $operator, $node->opacity);
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
            default => BlendMode::tryFrom($node->operator) ?? Operator::tryFrom($node->operator)
                ?? throw new UnreadableImage("The layer \"$node->name\" is laid by \"$node->operator\", which is not among the operators of the standard."),
        };
    }
}
