<?php

declare(strict_types=1);

namespace App\Demo;

use Awning\Core\Raster\Rect;

/**
 * The vector drawings of a page: figures set into panels. Drawn in two ways, as lines on white and as a key in which
 * the grey of a pixel numbers its material. A panel has a box (x, y, width, height) and what is set into it (figure, x,
 * y, scale, mirrored).
 */
final readonly class PageArt
{
    public const WIDTH = 2480;

    public const HEIGHT = 3508;

    private function __construct(
        /** @var list<array{box: array{int, int, int, int}, set: list<array{string, float, float, float, 4?: bool}>}> */
        private array $panels,
    ) {
    }

    /** Where a panel is, px. */
    public function panel(int $number): Rect
    {
        return new Rect(...$this->panels[$number]['box']);
    }

    /** @return array<int, self> by page number */
    public static function all(): array
    {
        return [
            1 => new self([
                ['box' => [110, 110, 2260, 1330], 'set' => [['harbour', 40, 60, 1.13], ['ferry', 560, 560, 1.1]]],
                [
                    'box' => [110, 1500, 1160, 1898],
                    'set' => [['harbour', -560, 40, 1.5], ['quay', -400, 1560, 0.9], ['oda', 170, 190, 1.36]],
                ],
                [
                    'box' => [1330, 1500, 1040, 1898],
                    'set' => [
                        ['harbour', -1260, 60, 1.35, true],
                        ['quay', -900, 1500, 0.9],
                        ['purser', 500, 690, 1.16],
                        ['tamsin', 20, 560, 1.32],
                    ],
                ],
            ]),
            2 => new self([
                ['box' => [110, 110, 1080, 1380], 'set' => [['harbour', -300, 180, 1.6], ['tamsin', 60, 120, 2.3]]],
                ['box' => [1250, 110, 1120, 1380], 'set' => [['harbour', -1300, 120, 1.5], ['oda', -60, 30, 2.2]]],
                [
                    'box' => [110, 1550, 2260, 1848],
                    'set' => [
                        ['harbour', 0, 120, 1.15],
                        ['ferry', -420, 520, 1.25],
                        ['quay', -100, 1560, 1.1],
                        ['oda', 1180, 400, 1.1],
                        ['tamsin', 1720, 800, 1.05, true],
                    ],
                ],
            ]),
            3 => new self([
                [
                    'box' => [110, 110, 2260, 1000],
                    'set' => [['harbour', -100, 40, 1.2], ['ferry', 300, 330, 1.15, true]],
                ],
                [
                    'box' => [110, 1170, 1360, 2228],
                    'set' => [['harbour', -700, 260, 1.5], ['quay', -300, 1960, 1.0], ['purser', 210, 340, 2.0]],
                ],
                ['box' => [1530, 1170, 840, 1080], 'set' => [['harbour', -1400, 60, 1.3], ['oda', -90, 80, 1.75]]],
                ['box' => [1530, 2310, 840, 1088], 'set' => [['harbour', -420, -60, 1.4], ['tamsin', 40, 60, 1.75]]],
            ]),
            4 => new self([
                [
                    'box' => [110, 110, 2260, 2200],
                    'set' => [
                        ['harbour', 60, 240, 1.1],
                        ['ferry', 760, 620, 1.0],
                        ['quay', -100, 1820, 1.1],
                        ['oda', 180, 460, 1.28],
                        ['purser', 1000, 960, 1.02],
                        ['tamsin', 1580, 920, 1.1, true],
                    ],
                ],
                ['box' => [110, 2370, 1100, 1028], 'set' => [['harbour', -900, 0, 1.5], ['purser', 60, 60, 2.1]]],
                ['box' => [1270, 2370, 1100, 1028], 'set' => [['harbour', 40, -180, 1.3], ['ferry', -120, 260, 0.95]]],
            ]),
            5 => new self([
                [
                    'box' => [110, 110, 2260, 1240],
                    'set' => [['harbour', -60, -40, 1.15, true], ['ferry', 380, 390, 1.15], ['quay', -100, 1090, 1.0]],
                ],
                [
                    'box' => [110, 1410, 1240, 1988],
                    'set' => [['harbour', -900, 120, 1.5], ['quay', -200, 1700, 1.0], ['tamsin', 120, 260, 2.1]],
                ],
                [
                    'box' => [1410, 1410, 960, 1988],
                    'set' => [['harbour', -500, 40, 1.4], ['quay', -300, 1640, 0.9], ['oda', 60, 260, 1.45]],
                ],
            ]),
        ];
    }

    /** Black lines on white. */
    public function lines(): string
    {
        return $this->svg($this->group('ink', 'black'));
    }

    /** As it would come from a scanner, but for the grain. Where the gaps fall follows from the seed. */
    public function scan(int $seed): string
    {
        mt_srand($seed);
        $gaps = '';
        for ($i = 0; $i < 160; $i++) {
            [$x, $y, $angle] = [
                mt_rand(120, self::WIDTH - 120),
                mt_rand(120, self::HEIGHT - 120),
                mt_rand(0, 628) / 100,
            ];
            $gaps .= sprintf('M%d %dl%.1F %.1F', $x, $y, 34 * cos($angle), 34 * sin($angle));
        }
        $paper =
            '<defs><linearGradient id="tint" x2="0.2" y2="1"><stop stop-color="#faf4e4"/><stop offset="1" '
                .'stop-color="#e4d9c4"/></linearGradient>'.
            '<radialGradient id="light" cx="0.4" cy="0.3" r="0.9"><stop stop-color="#fff"/><stop offset="1" '
                .'stop-color="#d4d4d4"/></radialGradient></defs>'.
            '<rect width="100%" height="100%" style="fill:url(#tint)"/><rect width="100%" height="100%" '
                .'style="fill:url(#light);mix-blend-mode:multiply"/>';

        return $this->svg(
            $paper.
                $this->group('sketch', '#a9c8f0', 'translate(7 -5)', 0.85).
                sprintf(
                    '<g style="mix-blend-mode:multiply;isolation:isolate">%s<path d="%s" '
                        .'style="fill:none;stroke:#fff;stroke-width:4"/></g>',
                    $this->group('ink', '#1d1a18'),
                    $gaps,
                ),
        );
    }

    /** The grey of a pixel is four times the number of its material's class. */
    public function key(): string
    {
        $style = 'path,circle,rect{fill:#000;stroke:none;shape-rendering:crispEdges}.line,.spot,.frame{display:none}';
        foreach (Cast::classes() as $index => $class) {
            $grey = 4 * ($index + 1);
            $style .= ".$class{fill:rgb($grey,$grey,$grey)}";
        }

        return $this->svg(
            "<style>$style</style>".'<rect class="paper" width="100%" height="100%"/>'.$this->body('k'),
        );
    }

    private function svg(string $body): string
    {
        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d">%s</svg>',
            self::WIDTH,
            self::HEIGHT,
            $body,
        );
    }

    private function group(string $id, string $colour, string $move = '', float $opacity = 1): string
    {
        $style =
            "#$id path,#$id circle,#$id rect{fill:#fff;stroke:$colour;stroke-width:5.5;stroke-linejoin:round;stroke-linecap:round}#$id .line{fill:none;stroke-width:4}#$id .spot{fill:$colour;stroke-width:2}".
            "#$id .harbour path,#$id .harbour circle{stroke-width:4}#$id .harbour .line{stroke-width:2.6}#$id rect.frame{fill:none;stroke-width:10}";

        return "<style>$style</style><g id=\"$id\" transform=\"$move\" style=\"mix-blend-mode:multiply\" opacity=\"$opacity\">{$this->body(
            $id,
        )}</g>";
    }

    private function body(string $id): string
    {
        $body = '';
        foreach ($this->panels as $number => ['box' => [$x, $y, $width, $height], 'set' => $set]) {
            $body .= "<clipPath id=\"$id$number\"><rect x=\"$x\" y=\"$y\" width=\"$width\" height=\"$height\"/></clipPath><g clip-path=\"url(#$id$number)\">";
            foreach ($set as $piece) {
                [$name, $dx, $dy, $scale] = $piece;
                $flip = $piece[4] ?? false ? sprintf('translate(%d 0) scale(-1 1)', self::span($name)) : '';
                $body .= sprintf(
                    '<g class="%s" transform="translate(%F %F) scale(%F) %s">%s</g>',
                    $name,
                    $x + $dx,
                    $y + $dy,
                    $scale,
                    $flip,
                    $this->figure($name),
                );
            }
            $body .= "</g><rect class=\"frame\" x=\"$x\" y=\"$y\" width=\"$width\" height=\"$height\"/>";
        }

        // A sheet is never laid quite straight.
        return sprintf('<g transform="rotate(0.35 %d %d)">%s</g>', self::WIDTH / 2, self::HEIGHT / 2, $body);
    }

    private static function span(string $name): int
    {
        return ['oda' => 600, 'tamsin' => 440, 'purser' => 460, 'ferry' => 1400][$name] ?? 2000;
    }

    private function figure(string $name): string
    {
        return (string) file_get_contents(database_path("demo/figures/$name.svg"));
    }
}
