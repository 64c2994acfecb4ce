<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/** Alters a pass's name, colour, blend mode, opacity, visibility, clip, place in the order or group. */
final readonly class ChangePass implements ClientOp
{
    /**
     * @param  Data  $values  only what is to be altered
     *
     * @throws \InvalidArgumentException when a value may not be altered, or not to this
     */
    public function __construct(private string $id, private Data $values)
    {
        PassSpec::checkChanges($values);
    }

    public static function kind(): string
    {
        return 'pass.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), $input->map('values'));
    }

    public function toInput(): array
    {
        return ['id' => $this->id, 'values' => $this->values->all()];
    }

    public function title(): string
    {
        return match ($this->values->names()) {
            ['visible'] => $this->values->flag('visible', true) ? 'Let a pass down' : 'Roll a pass up',
            ['order'], ['order', 'group'] => 'Move a pass',
            ['opacity'] => 'Set a pass\'s opacity',
            ['mode'] => 'Set a pass\'s blend mode',
            default => 'Change a pass',
        };
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->values->has('scope')
            ? References::ofPass(0, Scope::fromData($this->values->map('scope')))
            : new References;
    }

    public function apply(Sheet $sheet): void
    {
        $pass = $sheet->find(PassSpec::class, $this->id) ?? throw new OpRefused('The pass is gone. Reload the page.');
        $sheet->put($this->id, $pass->changed($this->values));
    }
}
