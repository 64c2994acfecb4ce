<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/**
 * One material in place of another on a page: in its regions, and in the clips of its passes. What is locked stays. A
 * page that has nothing of it is not changed.
 */
final readonly class ReplaceMaterial implements Op
{
    /**
     * @param  int  $figure  of the material that comes
     * @param  string  $name  what is done, for the journal
     */
    public function __construct(private int $from, private int $to, private int $figure, private string $name)
    {
    }

    public static function kind(): string
    {
        return 'material.replace';
    }

    public static function form(): int
    {
        return 1;
    }

    /** @return array{from: int, to: int, figure: int} */
    public function toInput(): array
    {
        return ['from' => $this->from, 'to' => $this->to, 'figure' => $this->figure];
    }

    public function title(): string
    {
        return $this->name;
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($sheet->all(Region::class) as $label => $region) {
            if ($region->material === $this->from && ! $region->locked) {
                $sheet->put($label, $region->filled($this->figure, $this->to));
            }
        }
        foreach ($sheet->all(PassSpec::class) as $id => $pass) {
            if ($pass->scope->kind === ScopeKind::Material && $pass->scope->id === $this->from) {
                $sheet->put((string) $id, $pass->clippedTo(Scope::material($this->to)));
            }
        }
    }
}
