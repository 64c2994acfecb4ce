<?php

declare(strict_types=1);

namespace App\Store;

use League\CommonMark\Environment\Environment;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\HeadingPermalink\HeadingPermalinkExtension;
use League\CommonMark\Extension\Table\TableExtension;
use League\CommonMark\MarkdownConverter;

/**
 * The manual, as it is read inside the application: the chapters of docs/manual as HTML.
 *
 * @phpstan-type ManualSection array{id: string, title: string, text: string}
 * @phpstan-type ManualChapter array{id: string, title: string, html: string, sections: list<ManualSection>}
 */
final readonly class Manual
{
    /** In the order in which they are listed. A new chapter is a file and its name here. */
    private const CHAPTERS = ['start', 'ink', 'flats', 'light', 'mood', 'proof', 'palette', 'deliver', 'keys', 'words'];

    private string $folder;

    private MarkdownConverter $converter;

    public function __construct(?string $folder = null)
    {
        $this->folder = $folder ?? base_path('docs');
        // Headings get ids that links and tools name; nothing is shown beside them.
        $environment = new Environment([
            'html_input' => 'strip',
            'allow_unsafe_links' => false,
            'heading_permalink' => [
                'apply_id_to_heading' => true,
                'insert' => 'none',
                'id_prefix' => '',
                'fragment_prefix' => '',
            ],
        ]);
        foreach ([new CommonMarkCoreExtension, new TableExtension, new HeadingPermalinkExtension] as $extension) {
            $environment->addExtension($extension);
        }
        $this->converter = new MarkdownConverter($environment);
    }

    /** @return list<ManualChapter> */
    public function chapters(): array
    {
        return array_map($this->chapter(...), self::CHAPTERS);
    }

    /** @return ManualChapter */
    private function chapter(string $id): array
    {
        $text = (string) file_get_contents("$this->folder/manual/$id.md");
        $title = preg_match('/^# (.+)$/m', $text, $match) === 1 ? $match[1] : $id;
        // The title stands above the chapter; pictures come through the application; other documents are named, not
        // linked.
        $text = (string) preg_replace(
            [
                '/^# .+\n/m',
                '#\]\(\.\./screenshots/([\w-]+\.png)\)#',
                '#\[([^\]]+)\]\(\.\./[^)]*\)#',
                '#\]\((\w+)\.md(\#[\w-]+)?\)#',
            ],
            ['', '](/manual/$1)', '$1', '](#/$1$2)'],
            $text,
        );

        // Pictures tell their size, so that a place that was scrolled to stays where it is when they arrive.
        $html = (string) preg_replace_callback(
            '#<img src="/manual/([\w-]+\.png)"#',
            fn (array $match): string => trim($match[0].' '.$this->sizeOf($match[1])),
            $this->converter->convert($text)->getContent(),
        );

        return ['id' => $id, 'title' => $title, 'html' => $html, 'sections' => self::sections($title, $html)];
    }

    /** @return string width and height of a picture as HTML has them; empty when there is no such picture */
    private function sizeOf(string $picture): string
    {
        $path = "$this->folder/screenshots/$picture";

        return is_file($path) ? getimagesize($path)[3] ?? '' : '';
    }

    /** @return list<ManualSection> what stands under each heading, as plain text, to be searched */
    private static function sections(string $title, string $html): array
    {
        $plain = fn (string $part): string => trim(
            (string) preg_replace(
                '/\s+/',
                ' ',
                html_entity_decode(strip_tags(str_replace('</td>', ' </td>', $part)), ENT_QUOTES | ENT_HTML5),
            ),
        );
        $parts = preg_split('#<h[2-6] id="([^"]*)">(.*?)</h[2-6]>#s', $html, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];
        $sections = [['id' => '', 'title' => $title, 'text' => $plain($parts[0] ?? '')]];
        for ($i = 1; $i + 2 < count($parts); $i += 3) {
            $sections[] = ['id' => $parts[$i], 'title' => $plain($parts[$i + 1]), 'text' => $plain($parts[$i + 2])];
        }

        return $sections;
    }

    /** @return ?string a picture of the manual; null when it has none of this name */
    public function picture(string $name): ?string
    {
        $path = "$this->folder/screenshots/$name";

        return preg_match('/^[a-z-]+\.png$/D', $name) === 1 && is_file($path)
            ? (string) file_get_contents($path)
            : null;
    }
}
