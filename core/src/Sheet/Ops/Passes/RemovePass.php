<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Takes a pass away with all that was painted in it.
 *
 * @phpstan-type RemovePassInput array{id: string}
 */
final readonly class RemovePass implements ClientOp
{
    public function __construct(private string $id)
    {
    }

    public static function kind(): string
    {
        return 'pass.remove';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'));
    }

    /** @return RemovePassInput */
    public function toInput(): array
    {
        return ['id' => $this->id];
    }

    public function title(): string
    {
        return 'Remove a pass';
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
        $pass = $sheet->find(PassSpec::class, $this->id) ?? throw new OpRefused('The pass is gone already.');
        $sheet->clearLayer($pass->layer($this->id));
        foreach (LayerName::besidesPass($this->id) as $layer) {
            $sheet->clearLayer($layer);
        }
        $sheet->remove(PassSpec::class, $this->id);
    }
}
