<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassPlace;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;

/** What always holds of groups: they have members, and these belong to one figure and lie in one place. */
final class Groups
{
    /**
     * Called when passes or groups were altered: takes away groups that have lost their last member.
     *
     * @throws OpRefused when a group would hold what does not belong together
     */
    public static function hold(Sheet $sheet): void
    {
        $members = [];
        foreach ($sheet->all(PassSpec::class) as $pass) {
            if ($pass->group !== null) {
                $members[$pass->group][] = $pass;
            }
        }
        $groups = $sheet->all(PassGroup::class);
        foreach ($members as $id => $passes) {
            if (! isset($groups[$id])) {
                throw new OpRefused('The group is gone. Reload the page.');
            }
            self::checkTogether($passes);
        }
        foreach (array_keys(array_diff_key($groups, $members)) as $id) {
            $sheet->remove(PassGroup::class, $id);
        }
    }

    /** @param  list<PassSpec>  $passes */
    private static function checkTogether(array $passes): void
    {
        if (array_filter($passes, fn (PassSpec $pass): bool => $pass->content->kind()->looksAround()) !== []) {
            throw new OpRefused(
                'What makes the picture soft lies over everything beneath it and cannot be in a group.',
            );
        }
        if (count(array_unique(array_map(fn (PassSpec $pass): int => $pass->figure, $passes))) > 1) {
            throw new OpRefused('Only passes of one figure go together in a group.');
        }
        if (
            count(
                array_unique(
                    array_map(
                        fn (PassSpec $pass): string => PassPlace::of($pass->scope)->value.
                            ($pass->scope->kind === ScopeKind::Behind ? $pass->scope->id : ''),
                        $passes,
                    ),
                ),
            ) > 1
        ) {
            throw new OpRefused(
                'Passes inside a figure, in the ink and over the page lie in different places and cannot be one '
                    .'group. Ungroup it first.',
            );
        }
    }
}
