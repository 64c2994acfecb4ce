<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use PHPUnit\Framework\TestCase;

/** Who may know whom. Read from the "use" lines. */
final class ArchitectureTest extends TestCase
{
    private const MAY_USE = [
        'Raster' => ['Raster'],
        'Colour' => ['Raster', 'Colour'],
        'Codec' => ['Raster', 'Colour', 'Codec'],
        'Page' => ['Raster', 'Colour', 'Codec', 'Page'],
        'Ink' => ['Raster', 'Colour', 'Codec', 'Page', 'Ink'],
        'Flats' => ['Raster', 'Colour', 'Codec', 'Page', 'Flats'],
        'Brush' => ['Raster', 'Colour', 'Codec', 'Page', 'Brush'],
        'Compose' => ['Raster', 'Colour', 'Codec', 'Page', 'Compose'],
        'Sheet' => ['Raster', 'Colour', 'Codec', 'Page', 'Ink', 'Flats', 'Brush', 'Compose', 'Sheet'],
    ];

    /** @return iterable<string, string> path inside the folder => source */
    private function sources(string $folder): iterable
    {
        $root = dirname(__DIR__, 2)."/$folder";
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            yield substr((string) $file, strlen($root) + 1) => (string) file_get_contents((string) $file);
        }
    }

    public function test_the_core_knows_nobody_and_its_folders_only_look_down(): void
    {
        $seen = 0;
        foreach ($this->sources('core/src') as $path => $source) {
            $folder = explode('/', $path)[0];
            self::assertDoesNotMatchRegularExpression('/\b(Illuminate|Laravel|App)\\\\|\b(DB|Cache|Storage)::|\$GLOBALS|\bglobal \$/', $source, $path);
            preg_match_all('/Awning\\\\Core\\\\(\w+)\\\\/', $source, $uses);
            foreach (array_unique($uses[1]) as $used) {
                self::assertContains($used, self::MAY_USE[$folder], "$path uses $used");
                $seen++;
            }
        }
        self::assertGreaterThan(50, $seen);
    }

    public function test_the_rooms_of_the_application_keep_to_the_order(): void
    {
        $never = [
            'Models' => ['Http', 'Desk', 'Store', 'Jobs', 'Console'],
            'Store' => ['Http', 'Desk', 'Jobs', 'Console'],
            'Desk' => ['Http', 'Jobs', 'Console'],
            'Jobs' => ['Http', 'Console'],
        ];
        foreach ($this->sources('app') as $path => $source) {
            foreach ($never[explode('/', $path)[0]] ?? [] as $room) {
                self::assertStringNotContainsString("use App\\$room\\", $source, $path);
            }
        }
    }

    public function test_the_just_in_time_compiler_runs(): void
    {
        $status = opcache_get_status(false);
        self::assertIsArray($status);
        self::assertTrue($status['jit']['on'], 'start PHP through ./awning, which sets PHP_INI_SCAN_DIR');
    }
}
