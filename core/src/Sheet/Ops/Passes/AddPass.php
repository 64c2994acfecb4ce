<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Hangs a new pass; without an order of its own, on top of its figure's.
 *
 * @phpstan-import-type PassData from PassSpec
 *
 * @phpstan-type AddPassInput array{id: string, pass: PassData}
 */
final readonly class AddPass implements ClientOp
{
    public const MOST = 200;

    public function __construct(private string $id, private PassSpec $pass)
    {
    }

    public static function kind(): string
    {
        return 'pass.add';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), PassSpec::fromData($input->map('pass')));
    }

    /** @return AddPassInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'pass' => $this->pass->toData()];
    }

    public function title(): string
    {
        return "Add the pass {$this->pass->name}";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return References::ofPass($this->pass->figure, $this->pass->scope, $this->pass->setup?->setup);
    }

    public function apply(Sheet $sheet): void
    {
        $sheet->size();
        $passes = $sheet->all(PassSpec::class);
        if (isset($passes[$this->id])) {
            throw new OpRefused('This pass is there already.');
        }
        if (count($passes) >= self::MOST) {
            throw new OpRefused('A page holds at most '.self::MOST.' passes. Remove one first.');
        }
        $sheet->put(
            $this->id,
            $this->pass->order === 0.0 ? $this->pass->at(PassOrder::onTop($passes, $this->pass->figure)) : $this->pass,
        );
    }
}
