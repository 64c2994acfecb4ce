<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use ZipArchive;

/**
 * An OpenRaster file opened for reading (OpenRaster specification 0.0.6: mimetype, stack.xml, PNG layers). Sizes that
 * the archive claims are checked before anything is unpacked, and entries are only ever read into memory or a
 * temporary file of ours, never to a path the file names.
 */
final class OpenRasterFile
{
    private const MOST_ENTRIES = 2000;

    private const LARGEST_ENTRY = 600_000_000;

    private const LARGEST_STACK = 4_000_000;

    /** All layers' pictures together; four bytes each stand in memory at once. */
    private const MOST_LAYER_PIXELS = 450_000_000;

    public readonly int $width;

    public readonly int $height;

    public readonly float $dpi;

    public readonly OraStack $root;

    private ZipArchive $zip;

    private int $layers = 0;

    /** @var array<string, int> pixels by entry */
    private array $pixels = [];

    /** Told by its first bytes: the part that says so comes first and is not packed (specification, "File layout"). */
    public static function is(string $path): bool
    {
        $start = (string) file_get_contents($path, false, null, 0, 54);

        return str_starts_with($start, "PK\x03\x04") && str_ends_with($start, 'mimetypeimage/openraster');
    }

    /** @throws UnreadableImage */
    public function __construct(string $path)
    {
        $this->zip = new ZipArchive;
        if ($this->zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new UnreadableImage('This is not an OpenRaster file, or it is damaged. Export it again.');
        }
        if ($this->zip->numFiles > self::MOST_ENTRIES) {
            throw new UnreadableImage('The file holds more parts than an OpenRaster file needs and was not opened.');
        }
        if (trim($this->entry('mimetype', 100)) !== 'image/openraster') {
            throw new UnreadableImage('This archive does not say it is an OpenRaster file. Export it again.');
        }
        $xml = $this->xml($this->entry('stack.xml', self::LARGEST_STACK));
        $this->width = (int) $xml['w'];
        $this->height = (int) $xml['h'];
        if ($this->width < 1 || $this->height < 1 || ! ImageReader::opens($this->width, $this->height)) {
            throw new UnreadableImage(
                sprintf(
                    'The file says it is %s x %s px, which is outside what can be opened.',
                    (string) $xml['w'],
                    (string) $xml['h'],
                ),
            );
        }
        $this->dpi = (float) $xml['xres'];
        $stack = $xml->stack;
        if ($stack === null || ($stack->count() === 0 && (string) $stack->getName() !== 'stack')) {
            throw new UnreadableImage('The file has no layers. Export it again.');
        }
        $this->root = $this->stack($stack, 0);
        if (array_sum($this->pixels) > self::MOST_LAYER_PIXELS) {
            throw new UnreadableImage(
                sprintf(
                    'The layers of the file hold %d million pixels together; %d are the most that can be opened. '
                        .'Merge some of them.',
                    array_sum($this->pixels) / 1_000_000,
                    self::MOST_LAYER_PIXELS / 1_000_000,
                ),
            );
        }
    }

    /** @throws UnreadableImage when the layer's picture is missing or damaged */
    public function picture(OraLayer $layer): Paint
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        try {
            file_put_contents($file, $this->entry($layer->entry, self::LARGEST_ENTRY));

            return (new ImageReader)->read($file)->paint;
        } finally {
            unlink($file);
        }
    }

    public function layerCount(): int
    {
        return $this->layers;
    }

    private function entry(string $name, int $most): string
    {
        $stat = $this->zip->statName($name);
        if ($stat === false) {
            throw new UnreadableImage("The file lacks its part \"$name\". Export it again.");
        }
        // Deflate cannot shrink more than about 1 : 1032; a claim beyond what an image of that size needs is a trap.
        if ($stat['size'] > $most || ($stat['size'] > 10_000_000 && $stat['size'] > 900 * max(1, $stat['comp_size']))) {
            throw new UnreadableImage(
                'A part of the file unpacks to more than can be opened. It may be damaged on purpose; nothing was '
                    .'read.',
            );
        }
        $bytes = $this->zip->getFromName($name, $stat['size']);
        if ($bytes === false || strlen($bytes) !== $stat['size']) {
            throw new UnreadableImage("The file's part \"$name\" is damaged. Export it again.");
        }

        return $bytes;
    }

    private function xml(string $text): \SimpleXMLElement
    {
        // Any other encoding would hide declarations from a look at the bytes.
        if (
            ! mb_check_encoding($text, 'UTF-8') ||
            str_contains($text, "\0") ||
            preg_match('/^\s*<\?xml[^>]*encoding\s*=\s*["\'](?!utf-8["\'])/i', $text) === 1
        ) {
            throw new UnreadableImage(
                'The file\'s layer list is not written in UTF-8, as the format wants; it was not opened. Export it '
                    .'again.',
            );
        }
        if (stripos($text, '<!DOCTYPE') !== false || stripos($text, '<!ENTITY') !== false) {
            throw new UnreadableImage(
                'The file\'s layer list holds declarations that have no place there; it was not opened.',
            );
        }
        $before = libxml_use_internal_errors(true);
        $xml = simplexml_load_string($text, options: LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($xml === false || $xml->getName() !== 'image') {
            throw new UnreadableImage('The file\'s layer list is damaged. Export it again.');
        }

        return $xml;
    }

    private function stack(\SimpleXMLElement $element, int $depth): OraStack
    {
        if ($depth > 40) {
            throw new UnreadableImage('The file nests its layers deeper than can be opened.');
        }
        $children = [];
        foreach ($element->children() as $child) {
            if (++$this->layers > self::MOST_ENTRIES) {
                throw new UnreadableImage('The file has more layers than can be opened.');
            }
            if ($child->getName() === 'stack') {
                $children[] = $this->stack($child, $depth + 1);
            } elseif ($child->getName() === 'layer') {
                $source = (string) $child['src'];
                if (
                    $source === '' ||
                    str_starts_with($source, '/') ||
                    str_contains($source, '..') ||
                    str_contains($source, '\\')
                ) {
                    throw new UnreadableImage('A layer\'s picture lies outside the file; it was not opened.');
                }
                $this->pixels[$source] ??= $this->pixelsOf($source);
                $children[] = new OraLayer($source, ...$this->attributes($child));
            }
        }
        // Files list the topmost first.
        $attributes = $this->attributes($element);
        $isolated =
            $depth === 0 ||
            (string) $element['isolation'] === 'isolate' ||
            $attributes['opacity'] < 1 ||
            $attributes['operator'] !== 'src-over';

        return new OraStack(array_reverse($children), ...['isolated' => $isolated] + $attributes);
    }

    /** What a layer's picture says of its size, without unpacking it. */
    private function pixelsOf(string $entry): int
    {
        $stream = $this->zip->getStream($entry);
        $head = $stream === false ? '' : (string) @fread($stream, 24);
        /** @var array{width: int, height: int} $size */
        $size = unpack('Nwidth/Nheight', str_pad(substr($head, 16, 8), 8, "\0"));

        return $size['width'] * $size['height'];
    }

    /** @return array{name: string, x: int, y: int, opacity: float, visible: bool, operator: string} */
    private function attributes(\SimpleXMLElement $element): array
    {
        $opacity = (string) $element['opacity'];
        $operator = (string) $element['composite-op'];

        return [
            'name' => mb_substr((string) $element['name'], 0, 200),
            'x' => max(-100_000, min(100_000, (int) $element['x'])),
            'y' => max(-100_000, min(100_000, (int) $element['y'])),
            'opacity' => $opacity === '' ? 1.0 : max(0.0, min(1.0, (float) $opacity)),
            'visible' => (string) $element['visibility'] !== 'hidden',
            'operator' => $operator === '' ? 'src-over' : (string) preg_replace('/^svg:/', '', $operator),
        ];
    }
}
