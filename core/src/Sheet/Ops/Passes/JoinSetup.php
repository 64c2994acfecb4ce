<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Page\Setup\SetupPlace;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Passes that hang already become part of a setup of the series, which holds them by now: they change with it from then
 * on, and so does what is painted in them in the regions that the others are painted in.
 *
 * @phpstan-type JoinSetupInput array{passes: list<string>, setup: int, first: int, marked: list<int>}
 */
final readonly class JoinSetup implements ClientOp
{
    /**
     * @param  list<string>  $passes  bottom up
     * @param  int  $first  the place of the lowest of them in the setup
     * @param  list<int>  $marked  regions that the setup is painted in here; none: it is not
     */
    private function __construct(
        private array $passes,
        private int $setup,
        private int $first,
        private array $marked,
    ) {
    }

    public static function kind(): string
    {
        return 'setup.join';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $passes = $input->ids('passes', Setup::MOST);
        $first = $input->int('first', 0, Setup::MOST);

        return $passes === [] || $first + count($passes) > Setup::MOST
            ? throw new \InvalidArgumentException('A setup has 1 to '.Setup::MOST.' passes.')
            : new self($passes, $input->int('setup', 1, PHP_INT_MAX), $first, Laying::labels($input, 'marked'));
    }

    /** @return JoinSetupInput */
    public function toInput(): array
    {
        return ['passes' => $this->passes, 'setup' => $this->setup, 'first' => $this->first, 'marked' => $this->marked];
    }

    public function title(): string
    {
        return 'Make passes part of a setup';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References(setups: [$this->setup]);
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($this->passes as $i => $id) {
            $pass =
                $sheet->find(PassSpec::class, $id) ??
                throw new OpRefused('One of the passes is gone. Reload the page.');
            $sheet->put($id, $pass->partOf(new SetupPlace($this->setup, $this->first + $i, $this->marked)));
        }
    }
}
