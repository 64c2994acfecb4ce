<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Takes passes of one figure together, or with no passes changes or dissolves a group that is there.
 *
 * @phpstan-import-type GroupData from PassGroup
 *
 * @phpstan-type GroupInput array{id: string, passes: list<string>, how: ?GroupData}
 */
final readonly class GroupPasses implements ClientOp
{
    /**
     * @param  list<string>  $passes  ids; empty keeps those the group has
     * @param  ?PassGroup  $how  null dissolves the group
     */
    public function __construct(private string $id, private array $passes, private ?PassGroup $how)
    {
    }

    public static function kind(): string
    {
        return 'group';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->id('id'),
            $input->ids('passes', AddPass::MOST),
            $input->has('how') ? PassGroup::fromData($input->map('how')) : null,
        );
    }

    /** @return GroupInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'passes' => $this->passes, 'how' => $this->how?->toData()];
    }

    public function title(): string
    {
        return $this->how === null ? 'Ungroup passes' : 'Group passes';
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
        $known = $sheet->all(PassSpec::class);
        if ($this->how === null) {
            $this->part($sheet, $known);

            return;
        }
        $members = [];
        foreach ($this->passes as $pass) {
            $members[$pass] = $known[$pass] ?? throw new OpRefused('One of the passes is gone. Reload the page.');
        }
        if ($members === [] && $sheet->find(PassGroup::class, $this->id) === null) {
            throw new OpRefused('The group is gone. Reload the page.');
        }
        $sheet->put($this->id, $this->how);
        foreach ($members as $id => $pass) {
            $sheet->put($id, $pass->inGroup($this->id));
        }
    }

    /** @param  array<array-key, PassSpec>  $passes */
    private function part(Sheet $sheet, array $passes): void
    {
        foreach ($passes as $id => $pass) {
            if ($pass->group === $this->id) {
                $sheet->put($id, $pass->inGroup(null));
            }
        }
        $sheet->remove(PassGroup::class, $this->id);
    }
}
