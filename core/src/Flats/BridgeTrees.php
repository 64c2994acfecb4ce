<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/**
 * The decision trees that BridgeScore asks: learnt, not written. They are data beside this class, which
 * tests/Reference/python/bridges.py learns and writes.
 *
 * @phpstan-type Forest array{bias: float, trees: non-empty-list<non-empty-list<int|float>>}
 */
final class BridgeTrees
{
    private const FILE = __DIR__.'/bridge_trees.json';

    /** @var ?array<string, Forest> */
    private static ?array $forests = null;

    /**
     * @param  'pair'|'shot'|'leftPair'|'leftShot'  $kind
     * @return Forest each tree three numbers a node: the feature that is asked, the value below which it goes on at the
     *     next node, and where it goes on else; a feature of -1: an answer
     */
    public static function of(string $kind): array
    {
        self::$forests ??= self::read();

        return self::$forests[$kind];
    }

    /** @return array<string, Forest> */
    private static function read(): array
    {
        /** @var array<string, Forest> $read */
        $read = json_decode((string) file_get_contents(self::FILE), true, flags: JSON_THROW_ON_ERROR);

        return $read;
    }
}
