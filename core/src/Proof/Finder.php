<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

/**
 * Looks for one kind of thing on a page that is worth a look. A new kind is a class in Finders and a line in
 * FinderKinds: the words, the place and the mend are told here, and the screen shows what it is told.
 */
interface Finder
{
    /** How it is known to the screen and to tests. */
    public static function kind(): string;

    /** What is found, as a heading: "Stray pixels". */
    public static function title(): string;

    /** In which stage it is shown first; Proof shows them all. */
    public static function stage(): FinderStage;

    /** @return list<Finding> the worst first; of no more than a few are shown */
    public function find(ProofPage $page): array;

    /**
     * What one press does about all of them.
     *
     * @param  non-empty-list<Finding>  $findings
     */
    public function mend(array $findings): ?Mend;
}
