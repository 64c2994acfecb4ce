<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Setup\Setup;

/** A setup as one JSON file, with what is painted in its passes. The format is ours. */
final class SetupFile
{
    public const KIND = 'awning setup';

    /** Raised to 2 when what a pass lays got a place of its own; the first is read, too. */
    private const VERSION = 2;

    private const LONGEST_NAME = 60;

    private const DEEPEST = 8;

    public static function write(string $name, Setup $setup): string
    {
        return json_encode(
            ['kind' => self::KIND, 'version' => self::VERSION, 'name' => $name, 'passes' => $setup->toList()],
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @return array{string, Setup} its name, and what it hangs
     *
     * @throws \InvalidArgumentException|\RangeException with what is wrong in it
     */
    public static function read(string $json): array
    {
        $data = json_decode($json, true, self::DEEPEST);
        if (! is_array($data) || ($data['kind'] ?? null) !== self::KIND) {
            throw new \InvalidArgumentException(
                'This is no setup. Save one as a file from the list of setups, and take that.',
            );
        }
        if (! in_array($data['version'] ?? null, [1, self::VERSION], true)) {
            throw new \InvalidArgumentException('This setup was saved by a newer version. Save it again for this one.');
        }
        $name = is_string($data['name'] ?? null) ? trim($data['name']) : '';
        if ($name === '' || mb_strlen($name) > self::LONGEST_NAME || preg_match(Bounds::NOT_IN_NAMES, $name) !== 0) {
            throw new \InvalidArgumentException(
                'The setup needs a name of 1 to '.self::LONGEST_NAME.' characters.',
            );
        }
        $passes = $data['passes'] ?? null;

        return [$name, Setup::fromList(is_array($passes) ? array_values($passes) : [])];
    }
}
