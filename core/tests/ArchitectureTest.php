<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use PHPUnit\Framework\TestCase;

/** Who may know whom. Read from the "use" lines. */
final class ArchitectureTest extends TestCase
{
    /**
     * The allow-list of a block of rooms in docs/architecture.md.
     *
     * @return array<string, list<string>> room => the rooms it may know
     */
    private function rooms(string $block): array
    {
        $text = (string) file_get_contents(dirname(__DIR__, 2).'/docs/architecture.md');
        self::assertSame(
            1,
            preg_match("/<!-- $block rooms -->\\s*```\\n(.*?)```/s", $text, $match),
            "$block rooms in docs/architecture.md",
        );
        $rooms = [];
        foreach (explode("\n", trim($match[1] ?? '')) as $line) {
            [$room, $knows] = array_map(trim(...), explode('→', $line));
            $rooms[$room] = $knows === '' ? [] : explode(' ', $knows);
        }

        return $rooms;
    }

    /** @return iterable<string, string> path inside the folder => source */
    private function sources(string $folder): iterable
    {
        $root = dirname(__DIR__, 2)."/$folder";
        $folder = new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($folder) as $file) {
            yield substr((string) $file, strlen($root) + 1) => (string) file_get_contents((string) $file);
        }
    }

    public function test_the_core_knows_nobody_and_its_folders_only_look_down(): void
    {
        $rooms = $this->rooms('core');
        $seen = 0;
        foreach ($this->sources('core/src') as $path => $source) {
            $folder = explode('/', $path)[0];
            self::assertArrayHasKey($folder, $rooms, "$path is in no room of the picture");
            self::assertDoesNotMatchRegularExpression(
                '/\b(Illuminate|Laravel|App)\\\\|\b(DB|Cache|Storage)::|\$GLOBALS|\bglobal \$/',
                $source,
                $path,
            );
            preg_match_all('/Awning\\\\Core\\\\(\w+)\\\\/', $source, $uses);
            foreach (array_unique($uses[1]) as $used) {
                if ($used !== $folder) {
                    self::assertContains($used, $rooms[$folder], "$path uses $used");
                    $seen++;
                }
            }
        }
        self::assertGreaterThan(50, $seen);
        foreach (array_keys($rooms) as $room) {
            self::assertDirectoryExists(dirname(__DIR__, 2)."/core/src/$room");
        }
    }

    public function test_the_rooms_of_the_application_keep_to_the_order(): void
    {
        $rooms = $this->rooms('application');
        $seen = 0;
        foreach ($this->sources('app') as $path => $source) {
            $room = explode('/', $path)[0];
            self::assertArrayHasKey($room, $rooms, "$path is in no room of the picture");
            preg_match_all('/^use App\\\\(\w+)\\\\/m', $source, $uses);
            foreach (array_diff(array_unique($uses[1]), [$room]) as $used) {
                self::assertContains($used, $rooms[$room], "$path uses $used");
                $seen++;
            }
            self::assertDoesNotMatchRegularExpression(
                '/[^\w]\\\\App\\\\\w+\\\\/',
                $source,
                "$path names a class without a use line",
            );
            if ($room === 'Policies' || $room === 'Providers') {
                self::assertStringNotContainsString('use Awning\\Core', $source, $path);
            }
        }
        self::assertGreaterThan(60, $seen);
        foreach (array_keys($rooms) as $room) {
            self::assertDirectoryExists(dirname(__DIR__, 2)."/app/$room");
        }
    }

    /** Records, layers and ops have one way to the database and back; nothing searches in JSON. */
    public function test_no_query_looks_into_json(): void
    {
        foreach ($this->sources('app') as $path => $source) {
            self::assertDoesNotMatchRegularExpression('/[\'"](not )?like[\'"]/i', $source, $path);
            self::assertStringNotContainsString('DB::table(', $source, "$path goes round the models");
        }
    }

    public function test_the_just_in_time_compiler_runs(): void
    {
        $status = opcache_get_status(false);
        self::assertIsArray($status);
        self::assertTrue($status['jit']['on'], 'start PHP through ./awning, which sets PHP_INI_SCAN_DIR');
        foreach (['jit_max_root_traces', 'jit_max_side_traces', 'jit_max_exit_counters'] as $limit) {
            self::assertGreaterThan(
                10_000,
                (int) ini_get("opcache.$limit"),
                'the framework alone would use up the usual limit, and loops over pixels that come later run at '
                    .'half the speed',
            );
        }
    }
}
