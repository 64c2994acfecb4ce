<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use ZipArchive;

/**
 * Writes OpenRaster (specification 0.0.6): the mimetype first and stored, stack.xml, one PNG a layer, the merged image
 * and a thumbnail. Layers are cut to what is not clear.
 */
final class OpenRasterWriter
{
    private const THUMBNAIL = 256;

    private ZipArchive $zip;

    private int $count = 0;

    /**
     * @param  string  $path  where the file goes; must not exist
     *
     * @throws \RuntimeException when it cannot be written there
     */
    public function __construct(private readonly string $path, private readonly PngWriter $png = new PngWriter(2))
    {
        $this->zip = new ZipArchive;
        if ($this->zip->open($path, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new \RuntimeException('The OpenRaster file could not be created. Is there room on the disk?');
        }
        $this->store('mimetype', 'image/openraster');
    }

    /** Adds a layer's pixels at once, so that no more than one is in memory; the returned layer goes into the stack. */
    public function layer(
        Paint $paint,
        string $name,
        float $opacity = 1.0,
        bool $visible = true,
        string $operator = 'src-over',
    ): OraLayer {
        $bounds = $this->bounds($paint);
        $entry = sprintf('data/layer%03d.png', $this->count++);
        $this->store($entry, $this->png->paint($paint->crop($bounds)));

        return new OraLayer(
            entry: $entry,
            name: $name,
            x: $bounds->x,
            y: $bounds->y,
            opacity: $opacity,
            visible: $visible,
            operator: $operator,
        );
    }

    public function finish(OraStack $root, Paint $merged, float $dpi): void
    {
        $xml = new \XMLWriter;
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('image');
        $xml->writeAttribute('version', '0.0.6');
        $xml->writeAttribute('w', (string) $merged->width);
        $xml->writeAttribute('h', (string) $merged->height);
        if ($dpi > 0) {
            $xml->writeAttribute('xres', (string) (int) round($dpi));
            $xml->writeAttribute('yres', (string) (int) round($dpi));
        }
        $this->element($xml, $root, true);
        $xml->endElement();
        $xml->endDocument();
        $this->store('stack.xml', $xml->outputMemory());
        $this->store('mergedimage.png', $this->png->paint($merged, $dpi));
        $this->store('Thumbnails/thumbnail.png', $this->png->paint((new Thumbnail(self::THUMBNAIL))->of($merged)));
        if (! $this->zip->close()) {
            throw new \RuntimeException('The OpenRaster file could not be written. Is there room on the disk?');
        }
    }

    private function store(string $name, string $bytes): void
    {
        $this->zip->addFromString($name, $bytes);
        // PNG does not shrink further, and the mimetype has to be readable as it stands.
        $this->zip->setCompressionName($name, $name === 'stack.xml' ? ZipArchive::CM_DEFLATE : ZipArchive::CM_STORE);
    }

    private function element(\XMLWriter $xml, OraNode $node, bool $root = false): void
    {
        $xml->startElement($node instanceof OraLayer ? 'layer' : 'stack');
        if (! $root) {
            $xml->writeAttribute('name', $node->name);
            $xml->writeAttribute('opacity', rtrim(rtrim(sprintf('%.4F', $node->opacity), '0'), '.'));
            $xml->writeAttribute('visibility', $node->visible ? 'visible' : 'hidden');
            $xml->writeAttribute('composite-op', 'svg:'.$node->operator);
        }
        if ($node instanceof OraLayer) {
            $xml->writeAttribute('src', $node->entry);
            $xml->writeAttribute('x', (string) $node->x);
            $xml->writeAttribute('y', (string) $node->y);
        } elseif ($node instanceof OraStack) {
            if (! $root) {
                $xml->writeAttribute('isolation', $node->isolated ? 'isolate' : 'auto');
            }
            foreach (array_reverse($node->children) as $child) {
                $this->element($xml, $child);
            }
        }
        $xml->endElement();
    }

    private function bounds(Paint $paint): Rect
    {
        $extent = (new Plane($paint->width, $paint->height, $paint->alpha))->extent();

        return $extent->isEmpty() ? new Rect(0, 0, 1, 1) : $extent;
    }
}
