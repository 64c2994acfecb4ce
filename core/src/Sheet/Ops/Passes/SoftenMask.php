<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Paint\SoftenPass;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Gives what a pass is kept to a soft edge. A pass that shows for itself and keeps another one is not softened for
 * that: the other gets a rolled-up copy of it, which is.
 *
 * @phpstan-type SoftenMaskInput array{id: string, mask: string, by: float}
 */
final readonly class SoftenMask implements ClientOp
{
    /**
     * @param  string  $id  of the pass that is kept to another one
     * @param  string  $mask  of the copy, where one is made
     * @param  float  $by  px that a hard edge takes to either side afterwards
     */
    public function __construct(private string $id, private string $mask, private float $by)
    {
    }

    public static function kind(): string
    {
        return 'mask.soften';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), $input->id('mask'), $input->number('by', 0.5, SoftenPass::MOST));
    }

    /** @return SoftenMaskInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'mask' => $this->mask, 'by' => $this->by];
    }

    public function title(): string
    {
        return 'Soften the edge of a mask';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $pass = $sheet->find(PassSpec::class, $this->id) ?? throw new OpRefused('The pass is gone. Pick another one.');
        $mask = $pass->mask;
        $by = $mask === null ? null : $sheet->find(PassSpec::class, $mask->pass);
        if ($mask === null || $by === null) {
            throw new OpRefused("{$pass->name} is not kept to anything. Say first where it shows.");
        }
        if ($by->visible) {
            (new CopyPass($this->mask, $mask->pass))->apply($sheet);
            $copy = $sheet->find(PassSpec::class, $this->mask) ?? throw new \LogicException('The copy is not there.');
            $sheet->put(
                $this->mask,
                $copy->changed(
                    new Data(['visible' => false, 'name' => mb_substr("Mask of {$pass->name}", 0, Data::NAME)]),
                ),
            );
            $sheet->put(
                $this->id,
                $pass->changed(new Data(['mask' => (new PassMask($this->mask, $mask->outside))->toData()])),
            );
        }
        (new SoftenPass($by->visible ? $this->mask : $mask->pass, $this->by))->apply($sheet);
    }
}
