<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Painting\MarkedRegions;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Hangs the passes of a setup on a figure or a material, on top of what hangs there. They are empty, unless the setup
 * holds marks and regions are named: then these are painted in them. What a first light fills is the figure's own pass
 * of that kind, which becomes what the setup says.
 *
 * @phpstan-import-type ScopeData from Scope
 * @phpstan-import-type SetupPass from Setup
 *
 * @phpstan-type HangSetupInput array{name: string, figure: int, scope: ScopeData, ids: list<string>,
 *     passes: list<SetupPass>, labels: list<int>, setup: int}
 */
final readonly class HangSetup implements ClientOp
{
    /**
     * @param  list<string>  $ids  of the new passes, bottom up
     * @param  list<int>  $labels  regions that are marked, as one thing; none: the passes stay empty
     * @param  int  $of  the setup of the series whose passes they are; 0: it is none of a series
     */
    private function __construct(
        private string $name,
        private int $figure,
        private Scope $scope,
        private array $ids,
        private Setup $setup,
        private array $labels,
        private int $of,
    ) {
    }

    public static function kind(): string
    {
        return 'setup.hang';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $setup = Setup::fromList($input->list('passes', Setup::MOST));
        $ids = $input->ids('ids', Setup::MOST);

        return count($ids) !== count($setup->passes)
            ? throw new \InvalidArgumentException('Each pass of a setup needs an id.')
            : new self(
                name: $input->name('name', 'A setup'),
                figure: $input->int('figure', 1, PHP_INT_MAX),
                scope: Scope::fromData($input->map('scope')),
                ids: $ids,
                setup: $setup,
                labels: Laying::labels($input, 'labels'),
                of: $input->int('setup', 0, PHP_INT_MAX, 0),
            );
    }

    /** @return HangSetupInput */
    public function toInput(): array
    {
        return [
            'name' => $this->name,
            'figure' => $this->figure,
            'scope' => $this->scope->toData(),
            'ids' => $this->ids,
            'passes' => $this->setup->toList(),
            'labels' => $this->labels,
            'setup' => $this->of,
        ];
    }

    public function title(): string
    {
        return "Hang the setup $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return References::ofPass($this->figure, $this->scope, $this->of);
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($this->setup->on($this->figure, $this->scope, $this->of) as $i => $pass) {
            $rough = $this->setup->roughs[$i];
            $id = $rough?->id($this->figure) ?? $this->ids[$i];
            $there = $rough === null ? null : $sheet->find(PassSpec::class, $id);
            // So that it is painted anew when the setup is.
            $pass = $pass->setup === null ? $pass : $pass->partOf($pass->setup->in($this->labels));
            $there === null ? (new AddPass($id, $pass))->apply($sheet) : $sheet->put($id, $there->like($pass));
        }
        $regions =
            $this->labels === [] || array_filter($this->setup->marks) === []
                ? null
                : new MarkedRegions($sheet, $this->labels);
        foreach ($this->setup->marks as $i => $marks) {
            $marks !== null && $regions?->paint($this->ids[$i], $marks);
        }
    }
}
