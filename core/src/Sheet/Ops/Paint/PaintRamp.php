<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\TwinCoverage;
use Awning\Core\Select\Ramp;
use Awning\Core\Select\RampForm;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\FillInside;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Lays a gradient in a pass, or takes one away: full where the drag began, nothing where it ended. Others may be laid
 * over it in passes of their own that end earlier: a ramp through several tones. With a mirror, on its other side, too.
 *
 * @phpstan-import-type LayingInput from Laying
 * @phpstan-import-type PlaceData from FillInside
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type RampOverData array{laying: LayingInput, part: float}
 * @phpstan-type PaintRampInput array{laying: LayingInput, from: PlaceData, to: PlaceData, form: value-of<RampForm>,
 *     over: list<RampOverData>, mirror: ?AxisData}
 */
final readonly class PaintRamp implements ClientOp
{
    private const MOST_OVER = 4;

    /**
     * @param  PlaceData  $from  px of the page
     * @param  PlaceData  $to
     * @param  list<array{Laying, float}>  $over  what else is laid, and at which part of the way it ends
     */
    public function __construct(
        private Laying $laying,
        private array $from,
        private array $to,
        private RampForm $form,
        private array $over = [],
        private ?MirrorAxis $mirror = null,
    ) {
    }

    public static function kind(): string
    {
        return 'paint.ramp';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $place = fn (string $name): array => Data::place(
            $input->list($name, 2),
            -PageSize::MOST,
            2 * PageSize::MOST,
            'A ramp goes from one place to another.',
        );
        $form = $input->choice('form', RampForm::class, 'A ramp is straight or round.', RampForm::Straight);
        assert($form instanceof RampForm);

        return new self(
            Laying::fromInput($input->map('laying')),
            $place('from'),
            $place('to'),
            $form,
            array_map(self::over(...), $input->list('over', self::MOST_OVER)),
            MirrorAxis::ofInput($input),
        );
    }

    /** @return array{Laying, float} */
    private static function over(mixed $over): array
    {
        $data = new Data(is_array($over) ? $over : []);

        return [Laying::fromInput($data->map('laying')), $data->number('part', 0.01, 1)];
    }

    /** @return PaintRampInput */
    public function toInput(): array
    {
        return [
            'laying' => $this->laying->toInput(),
            'from' => $this->from,
            'to' => $this->to,
            'form' => $this->form->value,
            'over' => array_map(
                fn (array $over): array => ['laying' => $over[0]->toInput(), 'part' => $over[1]],
                $this->over,
            ),
            'mirror' => $this->mirror?->toData(),
        ];
    }

    public function title(): string
    {
        return $this->laying->erase ? 'Remove a ramp' : 'Ramp';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        $references = $this->laying->refersTo();
        foreach ($this->over as [$laying]) {
            $references = $references->and($laying->refersTo());
        }

        return $references;
    }

    public function apply(Sheet $sheet): void
    {
        try {
            $this->laying->lay($sheet, $this->ramp($this->to, $sheet));
            foreach ($this->over as [$laying, $part]) {
                $laying->lay($sheet, $this->ramp($this->at($part), $sheet));
            }
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }

    /**
     * @param  PlaceData  $to  where it ends
     *
     * @throws \RangeException when it has no length
     */
    private function ramp(array $to, Sheet $sheet): Coverage
    {
        $page = $sheet->rect();
        $twin =
            $this->mirror === null
                ? null
                : new Ramp(
                    $this->mirror->mirrored(...$this->from),
                    $this->mirror->mirrored(...$to),
                    $this->form,
                    $page,
                );

        return TwinCoverage::of(new Ramp($this->from, $to, $this->form, $page), $twin);
    }

    /** @return PlaceData */
    private function at(float $part): array
    {
        return [
            $this->from[0] + $part * ($this->to[0] - $this->from[0]),
            $this->from[1] + $part * ($this->to[1] - $this->from[1]),
        ];
    }
}
