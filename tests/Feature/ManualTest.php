<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Store\Manual;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

/** The manual inside the application: all of it is there, and what it names can be reached. */
final class ManualTest extends TestCase
{
    use RefreshDatabase;

    public function test_every_chapter_is_rendered_and_listed_once(): void
    {
        $this->getJson('/api/manual')->assertStatus(401);
        [$series] = $this->series();
        $chapters = $this->actingAs($this->person('Mira', $series))->getJson('/api/manual')->assertOk()->json();
        $files = array_map(
            fn (string $file): string => basename($file, '.md'),
            glob(base_path('docs/manual/*.md')) ?: [],
        );
        self::assertEqualsCanonicalizing($files, array_column($chapters, 'id'));
        $flats = array_column($chapters, null, 'id')['flats'];
        self::assertSame('Flats', $flats['title']);
        self::assertStringContainsString('<h2 id="all-but">All but</h2>', $flats['html']);
        self::assertStringNotContainsString('<h1', $flats['html']);
        $sweep = array_column($flats['sections'], null, 'id')['sweep'];
        self::assertStringStartsWith('Sweep (S) fills every unfilled region', $sweep['text']);
    }

    public function test_links_lead_to_chapters_headings_and_pictures_that_are_there(): void
    {
        [$series] = $this->series();
        $this->actingAs($this->person('Mira', $series));
        $chapters = array_column((new Manual)->chapters(), null, 'id');
        $links = 0;
        foreach ($chapters as $id => $chapter) {
            preg_match_all('/(?:href|src)="([^"]*)"/', $chapter['html'], $found);
            foreach ($found[1] as $target) {
                $links++;
                if (str_starts_with($target, '/manual/')) {
                    $this->get($target)->assertOk()->assertHeader('Content-Type', 'image/png');
                } else {
                    self::assertMatchesRegularExpression('#^\#/(\w+)(\#[\w-]+)?$#', $target, "$id links to $target");
                    [$to, $heading] = explode('#', substr($target, 2)) + ['', ''];
                    self::assertArrayHasKey($to, $chapters);
                    self::assertContains(
                        $heading,
                        array_column($chapters[$to]['sections'], 'id'),
                        "$id links to $target",
                    );
                }
            }
        }
        self::assertGreaterThan(8, $links);
    }

    public function test_pictures_tell_their_size_so_that_nothing_moves_when_they_arrive(): void
    {
        $count = 0;
        foreach ((new Manual)->chapters() as $chapter) {
            preg_match_all('#<img src="/manual/([\w-]+\.png)"([^>]*)>#', $chapter['html'], $pictures, PREG_SET_ORDER);
            foreach ($pictures as [, $name, $rest]) {
                [$width, $height] =
                    getimagesize(base_path("docs/screenshots/$name")) ?: self::fail("$name is no picture");
                self::assertStringContainsString("width=\"$width\" height=\"$height\"", $rest, $name);
                $count++;
            }
        }
        self::assertGreaterThan(5, $count);
    }

    public function test_nothing_but_pictures_of_the_manual_is_given(): void
    {
        [$series] = $this->series();
        $this->actingAs($this->person('Mira', $series));
        foreach (['none.png', 'take.php', '..%2F..%2Fawning', 'shelf.PNG', '..%2Fscreenshots%2Fshelf.png'] as $name) {
            $this->get("/manual/$name")->assertNotFound();
        }
    }

    public function test_html_in_a_chapter_is_not_let_through(): void
    {
        $folder = sys_get_temp_dir().'/manual-'.bin2hex(random_bytes(4));
        mkdir("$folder/manual", 0777, true);
        foreach (glob(base_path('docs/manual/*.md')) ?: [] as $file) {
            copy($file, "$folder/manual/".basename($file));
        }
        file_put_contents(
            "$folder/manual/ink.md",
            "# Ink & <b>x</b>\n\n<script>alert(1)</script>\n\n## One\n\n[bad](javascript:alert(1)) [other](flats.md#sweep) [far](../bench.md)\n",
        );
        $ink = array_column((new Manual($folder))->chapters(), null, 'id')['ink'];
        exec('rm -rf '.escapeshellarg($folder));
        self::assertStringNotContainsString('script', $ink['html']);
        self::assertStringContainsString('<a href="#/flats#sweep">other</a> far', $ink['html']);
    }
}
