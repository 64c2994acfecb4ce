<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** What is painted in a pass becomes again what it was; what the pass is set to stays. */
final readonly class RestorePass implements Op
{
    /** @param  list<array{int, int, ?string}>  $tiles  column, row and bytes of those that were others; null: empty */
    public function __construct(private string $id, private array $tiles)
    {
    }

    public static function kind(): string
    {
        return 'pass.restore';
    }

    public static function form(): int
    {
        return 1;
    }

    /** The paint itself is in the tiles the journal names. */
    public function toInput(): array
    {
        return ['id' => $this->id];
    }

    public function title(): string
    {
        return 'Bring back what was painted';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        $pass = $sheet->find(PassSpec::class, $this->id) ?? throw new OpRefused('The pass is gone. Reload the page.');
        foreach ($this->tiles as [$column, $row, $bytes]) {
            $sheet->setTile($pass->layer($this->id), $column, $row, $bytes);
        }
    }
}
