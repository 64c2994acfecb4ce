<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Select\Ramp;
use Awning\Core\Select\RampForm;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Laying;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Lays a gradient in a pass, or takes one away: full where the drag began, nothing where it ended.
 *
 * @phpstan-import-type LayingInput from Laying
 * @phpstan-import-type PlaceData from FillInside
 *
 * @phpstan-type PaintRampInput array{laying: LayingInput, from: PlaceData, to: PlaceData, form: value-of<RampForm>}
 */
final readonly class PaintRamp implements ClientOp
{
    /**
     * @param  PlaceData  $from  px of the page
     * @param  PlaceData  $to
     */
    public function __construct(private Laying $laying, private array $from, private array $to, private RampForm $form)
    {
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
        $place = fn (string $name): array => Data::place($input->list($name, 2), -PageSize::MOST, 2 * PageSize::MOST, 'A ramp goes from one place to another.');
        $form = $input->choice('form', RampForm::class, 'A ramp is straight or round.', RampForm::Straight);
        assert($form instanceof RampForm);

        return new self(Laying::fromInput($input->map('laying')), $place('from'), $place('to'), $form);
    }

    /** @return PaintRampInput */
    public function toInput(): array
    {
        return ['laying' => $this->laying->toInput(), 'from' => $this->from, 'to' => $this->to, 'form' => $this->form->value];
    }

    public function title(): string
    {
        return $this->laying->erase ? 'Ramp away' : 'Ramp';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->laying->refersTo();
    }

    public function apply(Sheet $sheet): void
    {
        try {
            $ramp = new Ramp($this->from, $this->to, $this->form, $sheet->rect());
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
        $this->laying->lay($sheet, $ramp);
    }
}
