<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use XMLReader;
use XMLWriter;

/**
 * What of an SVG file is shapes, and nothing else: scripts, styles that fetch, pictures, other namespaces and whatever
 * points out of the file are left behind, so that a renderer may be given the rest. SVG 1.1.
 */
final class PlainSvg
{
    private const SVG = 'http://www.w3.org/2000/svg';

    private const MOST_BYTES = 30_000_000;

    private const MOST_ELEMENTS = 200_000;

    /** Characters that say where points lie: about so many times ten of them. */
    private const MOST_PATH = 20_000_000;

    private const DEEPEST = 60;

    private const ELEMENTS = [
        'svg',
        'g',
        'a',
        'defs',
        'symbol',
        'use',
        'switch',
        'path',
        'rect',
        'circle',
        'ellipse',
        'line',
        'polyline',
        'polygon',
        'clipPath',
        'mask',
        'linearGradient',
        'radialGradient',
        'stop',
        'marker',
        'pattern',
        'style',
    ];

    /** Attributes whose length says how much there is to draw. */
    private const PATHS = ['d', 'points'];

    private int $elements = 0;

    private int $path = 0;

    /** Text counts only there. */
    private bool $isStyle = false;

    private function __construct(private readonly XMLReader $reader, private readonly XMLWriter $writer)
    {
    }

    public static function is(string $start): bool
    {
        return preg_match('/^(\xef\xbb\xbf)?\s*<(\?xml|!--|!DOCTYPE\s+svg|svg)/i', $start) === 1 &&
            preg_match('/<svg[\s>]/', $start) === 1;
    }

    /**
     * @return string an SVG document of shapes alone
     *
     * @throws UnreadableImage
     */
    public static function of(string $svg): string
    {
        if (strlen($svg) > self::MOST_BYTES) {
            throw new UnreadableImage(
                sprintf(
                    'The file has more than %d MB. Cut the drawing in parts, or export it as PNG.',
                    self::MOST_BYTES / 1_000_000,
                ),
            );
        }
        if (! mb_check_encoding($svg, 'UTF-8') || stripos($svg, '<!ENTITY') !== false) {
            throw new UnreadableImage(
                'The SVG has entities of its own or is not written in UTF-8; such files are not opened. Save it as '
                    .'plain SVG.',
            );
        }
        $before = libxml_use_internal_errors(true);
        $reader = XMLReader::XML($svg === '' ? ' ' : $svg, null, LIBXML_NONET | LIBXML_COMPACT);
        $writer = new XMLWriter;
        $writer->openMemory();
        try {
            $isWhole = $reader instanceof XMLReader && (new self($reader, $writer))->copy();
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }

        return $isWhole
            ? $writer->outputMemory()
            : throw new UnreadableImage('This is not an SVG drawing, or it is damaged. Save it again.');
    }

    /** Whether there was a drawing, to its end. */
    private function copy(): bool
    {
        $isMore = $this->reader->read();
        while ($isMore) {
            if ($this->reader->depth > self::DEEPEST) {
                throw new UnreadableImage('The drawing is nested deeper than drawings are. Save it as plain SVG.');
            }
            $isMore =
                $this->reader->nodeType === XMLReader::ELEMENT && ! $this->isShape()
                    ? $this->reader->next()
                    : $this->copyOne();
        }

        return $this->elements > 0 && libxml_get_last_error() === false;
    }

    /** Whether more follows. */
    private function copyOne(): bool
    {
        if ($this->reader->nodeType === XMLReader::ELEMENT) {
            $this->begin();
        } elseif ($this->reader->nodeType === XMLReader::END_ELEMENT) {
            $this->writer->endElement();
            $this->isStyle = false;
        } elseif ($this->isStyle && self::staysInside($this->reader->value, false)) {
            $this->writer->text($this->reader->value);
        }

        return $this->reader->read();
    }

    private function isShape(): bool
    {
        return $this->reader->namespaceURI === self::SVG && in_array($this->reader->localName, self::ELEMENTS, true);
    }

    private function begin(): void
    {
        if (++$this->elements > self::MOST_ELEMENTS) {
            throw new UnreadableImage(
                sprintf('The drawing has more than %d parts. Cut it, or export it as PNG.', self::MOST_ELEMENTS),
            );
        }
        $isEmpty = $this->reader->isEmptyElement;
        $this->isStyle = ! $isEmpty && $this->reader->localName === 'style';
        $this->writer->startElement($this->reader->localName);
        if ($this->elements === 1) {
            $this->writer->writeAttribute('xmlns', self::SVG);
            $this->writer->writeAttribute('xmlns:xlink', 'http://www.w3.org/1999/xlink');
        }
        while ($this->reader->moveToNextAttribute()) {
            $this->attribute($this->reader->localName, $this->reader->prefix, $this->reader->value);
        }
        $this->reader->moveToElement();
        if ($isEmpty) {
            $this->writer->endElement();
        }
    }

    private function attribute(string $name, string $prefix, string $value): void
    {
        if (in_array($name, self::PATHS, true)) {
            $this->path += strlen($value);
            if ($this->path > self::MOST_PATH) {
                throw new UnreadableImage(
                    'The drawing has more than two million points. Cut it in parts, or export it as PNG.',
                );
            }
        }
        $isLink = $name === 'href' && in_array($prefix, ['', 'xlink'], true);
        $isForeign = $prefix !== '' && ! $isLink;
        if (
            $isForeign ||
            $name === 'xmlns' ||
            str_starts_with(strtolower($name), 'on') ||
            ! self::staysInside($value, $isLink)
        ) {
            return;
        }
        $this->writer->writeAttribute($isLink ? 'xlink:href' : $name, $value);
    }

    /** Whether a value points at most to other parts of the drawing. */
    private static function staysInside(string $value, bool $isLink): bool
    {
        if ($isLink) {
            return str_starts_with(trim($value), '#');
        }

        return preg_match('/url\s*\(\s*(?!["\']?#)|@import|expression\s*\(/i', $value) !== 1;
    }
}
