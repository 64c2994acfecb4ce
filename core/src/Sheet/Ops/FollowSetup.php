<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Scope;
use Awning\Core\Page\Setup;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Passes that were hung from a setup become what that is now: name, tone or colour, mode, opacity. What is painted in them stays,
 * and so do passes that the setup has no more; those that are new in it are hung beside the others, empty. A pass that has become
 * of another kind is left as it is: what is painted in it would mean something else.
 */
final readonly class FollowSetup implements Op
{
    /**
     * @param  int  $id  of the setup
     * @param  int  $known  how many passes it had before it was changed
     */
    public function __construct(private int $id, private string $name, private Setup $setup, private int $known)
    {
    }

    public static function kind(): string
    {
        return 'setup.follow';
    }

    public static function form(): int
    {
        return 1;
    }

    public function toInput(): array
    {
        return ['setup' => $this->id, 'name' => $this->name, 'passes' => $this->setup->toList(), 'known' => $this->known];
    }

    public function title(): string
    {
        return "Follow the setup $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        $hung = array_filter($sheet->all(PassSpec::class), fn (PassSpec $pass): bool => $pass->setup?->setup === $this->id);
        /** @var array<string, array{int, Scope}> $wheres what it is hung on, each once */
        $wheres = $there = [];
        foreach ($hung as $id => $pass) {
            $place = $pass->setup->place ?? 0;
            $now = $this->setup->passes[$place] ?? null;
            if ($now !== null) {
                $sheet->put($id, $pass->like($now));
            }
            $where = "$pass->figure {$pass->scope->kind->value} {$pass->scope->id}";
            $wheres[$where] = [$pass->figure, $pass->scope];
            $there[$where][$place] = true;
        }
        foreach ($wheres as $where => [$figure, $scope]) {
            $new = array_slice($this->setup->on($figure, $scope, $this->id), $this->known, null, true);
            foreach (array_diff_key($new, $there[$where]) as $place => $pass) {
                $this->hang($sheet, $this->setup->roughs[$place]?->id($figure) ?? substr(hash('sha256', "$this->id $where $place"), 0, 12), $pass);
            }
        }
    }

    /** Its id tells what it is: followed twice, it is hung once. */
    private function hang(Sheet $sheet, string $id, PassSpec $pass): void
    {
        if ($sheet->find(PassSpec::class, $id) === null) {
            (new AddPass($id, $pass))->apply($sheet);
        }
    }
}
