<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\Surroundings;
use Awning\Core\Page\Pass\WashContent;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Washes figures in the colour of what lies around each of them. A figure has one such wash: one that hangs there
 * already keeps its place, mode and name.
 *
 * @phpstan-import-type SurroundingsData from Surroundings
 *
 * @phpstan-type FigureWash array{figure: int, colour: string, around: SurroundingsData}
 * @phpstan-type WashSurroundingsInput array{washes: list<FigureWash>, strength: float}
 */
final readonly class WashSurroundings implements ClientOp
{
    public const PREFIX = 'around';

    private const NAME = 'Surroundings';

    private const MOST = 100;

    /**
     * @param  non-empty-array<int, WashContent>  $washes  by figure
     * @param  float  $strength  the opacity of each, 0..1
     */
    private function __construct(private array $washes, private float $strength)
    {
    }

    public static function kind(): string
    {
        return 'wash.around';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $washes = [];
        foreach ($input->list('washes', self::MOST) as $wash) {
            $data = new Data(is_array($wash) ? $wash : []);
            $washes[$data->int('figure', 1, PHP_INT_MAX)] = new WashContent(
                Rgb::fromHex($data->text('colour')),
                Surroundings::fromData($data),
            );
        }

        return $washes === []
            ? throw new \InvalidArgumentException('Tick a figure first.')
            : new self($washes, $input->number('strength', 0, 1));
    }

    /** @return WashSurroundingsInput */
    public function toInput(): array
    {
        return [
            'washes' => array_map(
                fn (int $figure, WashContent $wash): array => [
                    'figure' => $figure,
                    'colour' => $wash->colour->hex(),
                    'around' => $wash->around?->toData() ?? [],
                ],
                array_keys($this->washes),
                $this->washes,
            ),
            'strength' => $this->strength,
        ];
    }

    public function title(): string
    {
        return count($this->washes) === 1
            ? 'Wash a figure in its surroundings'
            : 'Wash '.count($this->washes).' figures in their surroundings';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References(figures: array_keys($this->washes));
    }

    /** @throws OpRefused when the page holds no more passes */
    public function apply(Sheet $sheet): void
    {
        foreach ($this->washes as $figure => $wash) {
            $id = self::PREFIX.$figure;
            $there = $sheet->find(PassSpec::class, $id);
            if ($there !== null) {
                $sheet->put($id, $there->showing($wash)->changed(new Data(['opacity' => $this->strength])));
            } else {
                $pass = new PassSpec(self::NAME, $figure, $wash, Scope::figure($figure), opacity: $this->strength);
                (new AddPass($id, $pass))->apply($sheet);
            }
        }
    }
}
