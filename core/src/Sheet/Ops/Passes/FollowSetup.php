<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Page\Setup\SetupMarks;
use Awning\Core\Page\Setup\SetupPlace;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Painting\MarkedRegions;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/**
 * Passes that were hung from a setup become what that is now: name, tone or colour, mode, opacity, and what it painted
 * in regions when it was hung. What a hand painted in them stays, and so do passes that the setup has no more; those
 * that are new in it are hung beside the others. A pass that has become of another kind is left as it is: what is
 * painted in it would mean something else.
 */
final readonly class FollowSetup implements Op
{
    /**
     * @param  int  $id  of the setup
     * @param  int  $known  how many passes it had before it was changed
     * @param  ?Setup  $before  what it was, so that what it painted can be told from what a hand did; null: nothing is
     *     painted anew
     */
    public function __construct(
        private int $id,
        private string $name,
        private Setup $setup,
        private int $known,
        private ?Setup $before = null,
    ) {
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
        return [
            'setup' => $this->id,
            'name' => $this->name,
            'passes' => $this->setup->toList(),
            'known' => $this->known,
            'before' => $this->before?->toList(),
        ];
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
        $hung = array_filter(
            $sheet->all(PassSpec::class),
            fn (PassSpec $pass): bool => $pass->setup?->setup === $this->id,
        );
        /** @var array<string, array{int, Scope, list<int>}> $wheres what it is hung on and painted in, each once */
        $wheres = $there = [];
        foreach ($hung as $id => $pass) {
            $regions = $this->regions($sheet, $pass);
            $where = rtrim("$pass->figure {$pass->scope->kind->value} {$pass->scope->id} ".implode(' ', $regions));
            $wheres[$where] = [$pass->figure, $pass->scope, $regions];
            $there[$where][$id] = $pass;
        }
        foreach ($wheres as $where => [$figure, $scope, $regions]) {
            $painted = [
                ...$this->become($sheet, $there[$where]),
                ...$this->hang($sheet, $where, $figure, $scope, $regions, $there[$where]),
            ];
            // Looked for once: to find regions takes the whole page's flats.
            $marked = $regions === [] || $painted === [] ? null : new MarkedRegions($sheet, $regions);
            foreach ($painted as [$id, $pass, $before, $now]) {
                $marked?->repaint($id, $pass, $before, $now);
            }
        }
    }

    /**
     * @param  array<array-key, PassSpec>  $there  hung on the same, by id
     * @return list<array{string, PassSpec, ?SetupMarks, ?SetupMarks}> those in which the setup painted something else
     *     than it does now
     */
    private function become(Sheet $sheet, array $there): array
    {
        $painted = [];
        foreach ($there as $id => $pass) {
            $place = $pass->setup->place ?? 0;
            $like = $this->setup->passes[$place] ?? null;
            if ($like === null) {
                continue;
            }
            $sheet->put($id, $pass->like($like));
            [$before, $now] = [$this->before?->marks[$place] ?? null, $this->setup->marks[$place]];
            $isSameKind = $pass->content->kind() === $like->content->kind() && ! $pass->isPaint();
            if ($this->before !== null && $isSameKind && $before != $now) {
                $painted[] = [(string) $id, $pass, $before, $now];
            }
        }

        return $painted;
    }

    /**
     * What is new in it. Its id tells what it is: followed twice, it is hung once.
     *
     * @param  list<int>  $regions  that the others are painted in
     * @param  array<array-key, PassSpec>  $there  those that hang there
     * @return list<array{string, PassSpec, ?SetupMarks, ?SetupMarks}> those in which it paints something
     */
    private function hang(Sheet $sheet, string $where, int $figure, Scope $scope, array $regions, array $there): array
    {
        $painted = [];
        $places = array_flip(array_map(fn (PassSpec $pass): int => $pass->setup->place ?? 0, $there));
        $new = array_slice($this->setup->on($figure, $scope, $this->id), $this->known, null, true);
        foreach (array_diff_key($new, $places) as $place => $pass) {
            $id =
                $this->setup->roughs[$place]?->id($figure) ?? substr(hash('sha256', "$this->id $where $place"), 0, 12);
            if ($sheet->find(PassSpec::class, $id) !== null) {
                continue;
            }
            (new AddPass($id, $pass->partOf(new SetupPlace($this->id, $place, $regions))))->apply($sheet);
            if ($this->setup->marks[$place] !== null && ! $pass->isPaint()) {
                $painted[] = [$id, $pass, null, $this->setup->marks[$place]];
            }
        }

        return $painted;
    }

    /**
     * @return list<int> of those it was painted in the ones that are there still, and of its figure: flats may have
     *     been parted and joined since
     */
    private function regions(Sheet $sheet, PassSpec $pass): array
    {
        return array_values(
            array_filter(
                $pass->setup->marked ?? [],
                fn (int $label): bool => $sheet->find(Region::class, $label)?->figure === $pass->figure,
            ),
        );
    }
}
