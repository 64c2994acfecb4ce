<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Proof\Finders\AlikeNeighbours;
use Awning\Core\Proof\Finders\FlatsBeyondLines;
use Awning\Core\Proof\Finders\HiddenPasses;
use Awning\Core\Proof\Finders\IsolatedRegions;
use Awning\Core\Proof\Finders\SmallRegions;
use Awning\Core\Proof\Finders\StrayPieces;
use Awning\Core\Proof\Finders\UnfilledRegions;

/**
 * What pages are looked through for, in the order in which it is shown. A new kind is a class and a line here.
 *
 * @phpstan-import-type FindingData from Finding
 * @phpstan-import-type MendData from Mend
 *
 * @phpstan-type FindingsData array{kind: string, title: string, stage: value-of<FinderStage>, count: int,
 *     findings: list<FindingData>, mend: ?MendData}
 */
final class FinderKinds
{
    /** @var list<class-string<Finder>> */
    public const ALL = [
        UnfilledRegions::class,
        AlikeNeighbours::class,
        IsolatedRegions::class,
        FlatsBeyondLines::class,
        StrayPieces::class,
        SmallRegions::class,
        HiddenPasses::class,
    ];

    /** Of one kind no more than this is told one by one: the worst. */
    private const TOLD = 60;

    /** Of one kind no more than this is mended by one press. */
    public const MOST = 500;

    /**
     * @param  ?callable(Finder, ProofPage): list<Finding>  $find  runs a finder, or knows what it found before
     * @return list<FindingsData> what was found, kind by kind
     */
    public static function lookThrough(ProofPage $page, ?callable $find = null): array
    {
        $found = [];
        foreach (self::ALL as $class) {
            $finder = new $class;
            $findings = $find === null ? $finder->find($page) : $find($finder, $page);
            if ($findings !== []) {
                $found[] = [
                    'kind' => $finder::kind(),
                    'title' => $finder::title(),
                    'stage' => $finder::stage()->value,
                    'count' => count($findings),
                    'findings' => array_map(
                        fn (Finding $finding): array => $finding->toData(),
                        array_slice($findings, 0, self::TOLD),
                    ),
                    'mend' => $finder->mend(array_slice($findings, 0, self::MOST))?->toData(),
                ];
            }
        }

        return $found;
    }
}
