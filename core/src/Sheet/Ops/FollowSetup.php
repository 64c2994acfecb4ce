<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Region;
use Awning\Core\Page\Scope;
use Awning\Core\Page\Setup;
use Awning\Core\Page\SetupPlace;
use Awning\Core\Sheet\MarkedRegions;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Passes that were hung from a setup become what that is now: name, tone or colour, mode, opacity, and what it painted in regions
 * when it was hung. What a hand painted in them stays, and so do passes that the setup has no more; those that are new in it are
 * hung beside the others. A pass that has become of another kind is left as it is: what is painted in it would mean something else.
 */
final readonly class FollowSetup implements Op
{
    /**
     * @param  int  $id  of the setup
     * @param  int  $known  how many passes it had before it was changed
     * @param  ?Setup  $before  what it was, so that what it painted can be told from what a hand did; null: nothing is painted anew
     */
    public function __construct(private int $id, private string $name, private Setup $setup, private int $known, private ?Setup $before = null)
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
        return ['setup' => $this->id, 'name' => $this->name, 'passes' => $this->setup->toList(), 'known' => $this->known, 'before' => $this->before?->toList()];
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
        /** @var array<string, array{int, Scope, list<int>}> $wheres what it is hung on and painted in, each once */
        $wheres = $there = [];
        foreach ($hung as $id => $pass) {
            $place = $pass->setup->place ?? 0;
            $now = $this->setup->passes[$place] ?? null;
            $regions = $this->regions($sheet, $pass);
            if ($now !== null) {
                $sheet->put($id, $pass->like($now));
                $this->repaint($sheet, (string) $id, $pass, $place, $regions);
            }
            $where = rtrim("$pass->figure {$pass->scope->kind->value} {$pass->scope->id} ".implode(' ', $regions));
            $wheres[$where] = [$pass->figure, $pass->scope, $regions];
            $there[$where][$place] = true;
        }
        foreach ($wheres as $where => [$figure, $scope, $regions]) {
            $new = array_slice($this->setup->on($figure, $scope, $this->id), $this->known, null, true);
            foreach (array_diff_key($new, $there[$where]) as $place => $pass) {
                $this->hang($sheet, $this->setup->roughs[$place]?->id($figure) ?? substr(hash('sha256', "$this->id $where $place"), 0, 12), $pass, $place, $regions);
            }
        }
    }

    /**
     * Its id tells what it is: followed twice, it is hung once.
     *
     * @param  list<int>  $regions  that the others are painted in
     */
    private function hang(Sheet $sheet, string $id, PassSpec $pass, int $place, array $regions): void
    {
        if ($sheet->find(PassSpec::class, $id) !== null) {
            return;
        }
        (new AddPass($id, $pass->partOf(new SetupPlace($this->id, $place, $regions))))->apply($sheet);
        $marks = $this->setup->marks[$place];
        if ($marks !== null && $regions !== []) {
            (new MarkedRegions($sheet, $regions))->paint($id, $marks);
        }
    }

    /** @param  list<int>  $regions */
    private function repaint(Sheet $sheet, string $id, PassSpec $pass, int $place, array $regions): void
    {
        [$before, $now] = [$this->before?->marks[$place] ?? null, $this->setup->marks[$place]];
        $isSameKind = $pass->content->kind() === $this->setup->passes[$place]->content->kind() && ! $pass->isPaint();
        if ($this->before !== null && $regions !== [] && $isSameKind && $before != $now) {
            (new MarkedRegions($sheet, $regions))->repaint($id, $pass, $before, $now);
        }
    }

    /** @return list<int> of those it was painted in the ones that are there still, and of its figure: flats may have been parted and joined since */
    private function regions(Sheet $sheet, PassSpec $pass): array
    {
        return array_values(array_filter($pass->setup->marked ?? [], fn (int $label): bool => $sheet->find(Region::class, $label)?->figure === $pass->figure));
    }
}
