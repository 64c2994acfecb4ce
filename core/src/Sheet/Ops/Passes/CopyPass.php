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
 * Hangs a pass once more, with all that is painted in it, on top of its figure's.
 *
 * @phpstan-type CopyPassInput array{id: string, from: string}
 */
final readonly class CopyPass implements ClientOp
{
    private const LONGEST_NAME = 60;

    /** @param  string  $id  of the copy */
    public function __construct(private string $id, private string $from)
    {
    }

    public static function kind(): string
    {
        return 'pass.copy';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), $input->id('from'));
    }

    /** @return CopyPassInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'from' => $this->from];
    }

    public function title(): string
    {
        return 'Duplicate a pass';
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
        $pass =
            $sheet->find(PassSpec::class, $this->from) ??
            throw new OpRefused('The pass is gone. Pick another one to duplicate.');
        $onTop = PassOrder::onTop($sheet->all(PassSpec::class), $pass->figure);
        $copy = PassSpec::fromData(
            (new Data([
                'name' => mb_substr("$pass->name, copy", 0, self::LONGEST_NAME),
                'group' => null,
                'setup' => null,
            ]))->over(new Data($pass->toData())),
        )->at($onTop);
        (new AddPass($this->id, $copy))->apply($sheet);
        foreach ($sheet->grid()->all() as [$column, $row]) {
            $sheet->setTile(
                $copy->layer($this->id),
                $column,
                $row,
                $sheet->tile($pass->layer($this->from), $column, $row),
            );
        }
    }
}
