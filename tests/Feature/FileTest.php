<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\ShelfPicture;
use App\Jobs\MakePicture;
use App\Jobs\Pictures;
use App\Models\Original;
use App\Models\Page;
use App\Models\Role;
use App\Models\Task;
use App\Store\ChildDecoder;
use App\Store\LeftFiles;
use App\Store\LimitedProcess;
use App\Store\NotKept;
use App\Store\WholeFile;
use Awning\Core\Codec\CutShort;
use Awning\Core\Codec\UnreadableImage;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Imagick;
use Tests\TestCase;

/** Files that are cut, crafted, half written. */
final class FileTest extends TestCase
{
    use RefreshDatabase;

    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/awning-files-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    private function file(string $name, string $bytes): string
    {
        file_put_contents("$this->folder/$name", $bytes);

        return "$this->folder/$name";
    }

    private function picture(string $format, int $width = 200, int $height = 320): string
    {
        $image = new Imagick;
        $image->readImageBlob($this->scanBytes(600, 400));
        $image->resizeImage($width, $height, Imagick::FILTER_BOX, 1);
        $image->addNoiseImage(Imagick::NOISE_GAUSSIAN);
        $image->setImageFormat($format);

        return $image->getImageBlob();
    }

    private function read(string $path, bool $cut = false): \Awning\Core\Codec\Picture
    {
        return (new ChildDecoder)->read($path, fn () => null, $cut);
    }

    public function test_a_whole_file_is_named_last_and_nothing_stays_of_half_a_one(): void
    {
        $disk = Storage::build(['driver' => 'local', 'root' => $this->folder, 'throw' => true]);
        $whole = new WholeFile($disk);
        $whole->put('a/b.txt', 'all of it', 9, hash('sha256', 'all of it'));
        self::assertSame('all of it', $disk->get('a/b.txt'));
        foreach ([['half', 9, null], ['all of IT', 9, hash('sha256', 'all of it')]] as [$bytes, $length, $hash]) {
            try {
                $whole->put('a/c.txt', $bytes, $length, $hash);
                self::fail('it was kept');
            } catch (NotKept $error) {
                self::assertStringContainsString('disk may be full', $error->getMessage());
            }
        }
        self::assertSame(['a/b.txt'], $disk->allFiles(), 'neither the name nor its beginning');
        self::assertTrue($whole->is('a/b.txt', 9));
        self::assertFalse($whole->is('a/b.txt', 8));
        self::assertFalse($whole->is('a/b.txt', 9, hash('sha256', 'another')));
        self::assertFalse($whole->is('a/none.txt', 9));
    }

    public function test_a_jpeg_without_its_end_says_how_much_there_is(): void
    {
        $jpeg = $this->picture('jpeg');
        self::assertSame(200, $this->read($this->file('whole.jpg', $jpeg))->width());
        $cut = $this->file('cut.jpg', substr($jpeg, 0, (int) (0.55 * strlen($jpeg))));
        try {
            $this->read($cut);
            self::fail('half a picture was read as a whole one');
        } catch (CutShort $error) {
            self::assertEqualsWithDelta(0.55, $error->share, 0.12);
        }
        self::assertSame(320, $this->read($cut, true)->height(), 'read when somebody says so');
        self::assertSame(
            200,
            $this->read($this->file('tail.jpg', $jpeg.str_repeat('more', 900)))->width(),
            'bytes after the end do not matter',
        );
    }

    public function test_a_tiff_whose_strips_are_missing_says_how_many_there_are(): void
    {
        $image = new Imagick;
        $image->newPseudoImage(120, 400, 'gradient:white-black');
        $image->setImageFormat('tiff');
        $image->setImageCompression(Imagick::COMPRESSION_NO);
        $image->setOption('tiff:rows-per-strip', '16');
        $tiff = $image->getImageBlob();
        // The table of strips comes last in these files, and first in those that scanners write: put it first.
        $moved = $this->tableFirst($tiff);
        self::assertSame(120, $this->read($this->file('whole.tif', $moved))->width());
        try {
            $this->read($this->file('cut.tif', substr($moved, 0, (int) (0.6 * strlen($moved)))));
            self::fail('a picture without half its strips was read as a whole one');
        } catch (CutShort $error) {
            self::assertEqualsWithDelta(0.58, $error->share, 0.05);
        }
    }

    /** The same TIFF in one row of strips after the table: 8 bits grey, as simple as can be. */
    private function tableFirst(string $tiff): string
    {
        $image = new Imagick;
        $image->readImageBlob($tiff);
        $image->setImageFormat('gray');
        $image->setImageDepth(8);
        $pixels = $image->getImageBlob();
        [$width, $height, $rows] = [$image->getImageWidth(), $image->getImageHeight(), 16];
        $strips = str_split($pixels, $width * $rows);
        $count = count($strips);
        $fields = 10;
        $after = 8 + 2 + 12 * $fields + 4;
        $data = $after + 8 * $count;
        $field = fn (int $tag, int $type, int $values, int $value): string => pack(
            'vvVV',
            $tag,
            $type,
            $values,
            $value,
        );
        $offsets = $counts = '';
        $at = $data;
        foreach ($strips as $strip) {
            $offsets .= pack('V', $at);
            $counts .= pack('V', strlen($strip));
            $at += strlen($strip);
        }

        return "II\x2a\0".
            pack('V', 8).
            pack('v', $fields).
            $field(256, 3, 1, $width).
            $field(257, 3, 1, $height).
            $field(258, 3, 1, 8).
            $field(259, 3, 1, 1).
            $field(262, 3, 1, 1).
            $field(273, 4, $count, $after).
            $field(277, 3, 1, 1).
            $field(278, 3, 1, $rows).
            $field(279, 4, $count, $after + 4 * $count).
            $field(284, 3, 1, 1).
            pack('V', 0).
            $offsets.
            $counts.
            $pixels;
    }

    public function test_an_import_that_ends_early_asks_and_takes_what_is_there_when_told(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series, Role::Owner))->assertOk();
        $jpeg = $this->picture('jpeg', 300, 300);
        $half = $this->upload(substr($jpeg, 0, (int) (0.7 * strlen($jpeg))), 'scan.jpg');
        $id = $this->post(
            "/api/pages/$page->id/tasks/import",
            ['lease' => self::LEASE, 'scan' => $half],
            ['Accept' => 'application/json'],
        )
            ->assertStatus(202)
            ->json('id');
        $said = $this->getJson("/api/tasks/$id")
            ->assertJson(['state' => 'failed'])
            ->json();
        self::assertMatchesRegularExpression('/about \d+ % of it is there/', $said['message']);
        self::assertSame('cut', $said['question']['kind']);
        self::assertSame(0, $page->refresh()->revision);
        $this->postJson("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'original' => $said['question']['original'],
            'cut' => true,
        ])->assertStatus(202);
        self::assertSame('done', Task::query()->latest('id')->value('state'));
        self::assertSame(1, $page->refresh()->revision);
        self::assertSame(1, Original::query()->count());
    }

    /**
     * A text chunk of 3 MB that unpacks to 3 GB, an endless line of scans, a picture of one pixel that says it is huge.
     */
    public function test_crafted_files_are_told_from_honest_ones_before_they_cost_anything(): void
    {
        $png = $this->picture('png');
        $chunk = fn (string $type, string $data): string => pack('N', strlen($data)).
            $type.
            $data.
            pack('N', crc32($type.$data));
        $bomb = deflate_init(ZLIB_ENCODING_DEFLATE, ['level' => 9]);
        $packed = '';
        for ($i = 0; $i < 200; $i++) {
            $packed .= deflate_add($bomb, str_repeat("\0", 1 << 20), ZLIB_NO_FLUSH);
        }
        $packed .= deflate_add($bomb, '', ZLIB_FINISH);
        $path = $this->file(
            'bomb.png',
            substr($png, 0, 33).$chunk('zTXt', "Comment\0\0$packed").substr($png, 33),
        );
        $decoder = new ChildDecoder(1200, 20);
        self::assertSame(200, $decoder->read($path, fn () => null)->width(), 'what is no picture is not unpacked');

        $jpeg = $this->picture('jpeg', 64, 64);
        $start = (int) strpos($jpeg, "\xff\xda");
        $this->assertRefused(
            'more layers than a JPEG needs',
            substr($jpeg, 0, $start).str_repeat("\xff\xda\0\x08\1\1\0\0\0\0a", 70)."\xff\xd9",
        );
        $this->assertRefused('30 000 x 30 000 px', substr_replace($png, pack('NN', 30_000, 30_000), 16, 8));
        $this->assertRefused('not a PNG, JPEG, TIFF or WebP', 'GIF89a and nothing else');
        $this->assertRefused('no pixels', substr($png, 0, 16));
        $this->assertRefused('no pixels', "\xff\xd8\xff\xe0\0\x04ab");
        $this->assertRefused('damaged', substr($png, 0, 900));
    }

    private function assertRefused(string $why, string $bytes): void
    {
        try {
            (new ChildDecoder(1200, 20))->read($this->file('x', $bytes), fn () => null);
            self::fail("it was opened: $why");
        } catch (UnreadableImage $error) {
            self::assertStringContainsString($why, $error->getMessage());
        }
    }

    public function test_a_decoder_that_eats_too_much_ends_alone(): void
    {
        $image = new Imagick;
        $image->newImage(6000, 6000, 'white', 'png');
        $path = $this->file('large.png', $image->getImageBlob());
        try {
            (new ChildDecoder(450, 20))->read($path, fn () => null);
            self::fail('450 MB were enough');
        } catch (UnreadableImage $error) {
            self::assertMatchesRegularExpression(
                '/more time or memory|larger than can be opened|damaged/',
                $error->getMessage(),
            );
        }
        $this->expectExceptionMessage('stop was pressed');
        (new ChildDecoder)->read($path, fn () => throw new \RuntimeException('stop was pressed'));
    }

    public function test_the_first_frame_of_a_moving_webp_is_taken(): void
    {
        $moving = new Imagick;
        foreach (['#204060', '#ffffff', '#000000'] as $colour) {
            $frame = new Imagick;
            $frame->newImage(40, 30, $colour, 'webp');
            $frame->setImageDelay(10);
            $moving->addImage($frame);
        }
        $moving->setFormat('webp');
        $bytes = $moving->getImagesBlob();
        if (! str_contains($bytes, 'ANMF')) {
            self::markTestSkipped('this ImageMagick writes no moving WebP');
        }
        $picture = $this->read($this->file('moving.webp', $bytes));
        self::assertSame([40, 30], [$picture->width(), $picture->height()]);
        self::assertEqualsWithDelta(0x40, $picture->paint->at(20, 15)[1], 4);
    }

    public function test_small_pictures_are_made_when_pages_change_and_the_last_one_shows_until_then(): void
    {
        [$series, $page, $material] = $this->series();
        $mira = $this->person('Mira', $series);
        self::assertSame(0, (new Pictures)->askFor(), 'an empty page has none');
        $this->import($page, $mira);
        [, $other] = $this->series('Another');
        config(['queue.default' => 'database']);
        $asked = function () use ($page): int {
            Page::query()
                ->toBase()
                ->where('id', $page->id)
                ->update(['pictured_at' => now()->subMinute()]);

            return (new Pictures)->askFor();
        };
        $make = fn () => $this->artisan('queue:work', [
            '--once' => true,
            '--queue' => MakePicture::LINE,
        ])->assertSuccessful();
        self::assertSame([1, 0], [$asked(), $asked()], 'asked for once');
        $make();
        self::assertSame(0, $asked(), 'it is there');
        $shown = fn (): array => [
            ($answer = $this->get("/api/pages/$page->id/picture")->assertOk())->getContent(),
            str_contains((string) $answer->headers->get('Cache-Control'), 'immutable'),
        ];
        [$first, $isFinal] = $shown();
        self::assertTrue($isFinal);
        self::assertNull($other->refresh()->pictured);

        // The page changes: what is shown is the last one, until the queue has made the next.
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 120, 200)))->assertOk();
        self::assertSame([$first, false], $shown());
        self::assertSame(1, $asked());
        self::assertSame([$first, false], $shown());
        $make();
        [$second, $isFinal] = $shown();
        self::assertTrue($isFinal);
        self::assertNotSame($first, $second);

        // So does the palette; and a page that is painted on is not drawn over and over.
        $this->postJson("/api/series/$series->id/ops", [
            'op' => [
                'kind' => 'tones.pin',
                'material' => $material->id,
                'version' => 1,
                'tones' => ['base' => '#204080'],
            ],
        ])->assertOk();
        Page::query()
            ->toBase()
            ->where('id', $page->id)
            ->update(['pictured_at' => now()->subSeconds(3)]);
        self::assertSame(0, (new Pictures)->askFor());
        self::assertSame(1, $asked());
        // Its maker died: it is asked for again, after a while.
        DB::table('jobs')->delete();
        Page::query()
            ->toBase()
            ->where('id', $page->id)
            ->update(['picture_asked_at' => now()->subMinutes(3)]);
        self::assertSame(1, $asked());
        $make();
        self::assertNotSame($second, $shown()[0]);

        // Old ones are swept, the last one stays, and so do the views of what was drawn from.
        $disk = Storage::disk('works');
        foreach ($disk->allFiles('pictures') as $file) {
            touch($disk->path($file), time() - 90 * 3600);
        }
        $views = fn (): int => count(
            array_filter(
                $disk->allFiles('pictures'),
                fn (string $file): bool => str_starts_with(
                    $file,
                    "pictures/original-{$page->originals()->value('id')}-",
                ),
            ),
        );
        self::assertSame(1, $views());
        $this->artisan('awning:sweep')->assertSuccessful();
        self::assertSame(
            ["pictures/$page->id-{$page->refresh()->pictured}.png"],
            array_values(
                array_filter(
                    $disk->allFiles('pictures'),
                    fn (string $file): bool => str_starts_with($file, "pictures/$page->id-"),
                ),
            ),
        );
        self::assertSame(1, $views());
    }

    public function test_files_that_killed_processes_left_are_taken_away(): void
    {
        $folder = sys_get_temp_dir().'/left-'.bin2hex(random_bytes(4));
        mkdir($folder);
        foreach (
            [
                'awningOLD' => 3 * 3600,
                'magick-OLD' => 3 * 3600,
                'awningNEW' => 60,
                'somebodys' => 3 * 3600,
            ] as $name => $age
        ) {
            touch("$folder/$name", time() - $age);
        }
        mkdir("$folder/awning-folder");
        touch("$folder/awning-folder", time() - 9 * 3600);
        self::assertSame(2, (new LeftFiles($folder))->remove());
        self::assertSame(
            ['awning-folder', 'awningNEW', 'somebodys'],
            array_values(array_diff((array) scandir($folder), ['.', '..'])),
        );
        exec('rm -rf '.escapeshellarg($folder));
    }

    public function test_a_file_that_takes_too_long_says_so(): void
    {
        $folder = sys_get_temp_dir().'/slow-'.bin2hex(random_bytes(4));
        mkdir($folder);
        try {
            // A program of that name that never ends stands for one that is given too much to draw.
            file_put_contents("$folder/rsvg-convert", "#!/bin/sh\nwhile :; do :; done\n");
            chmod("$folder/rsvg-convert", 0700);
            $ended = (new LimitedProcess(500, 1, 20, 1000))->run(["$folder/rsvg-convert"], static fn () => null);
            self::assertSame(LimitedProcess::OUT_OF_TIME, $ended->getExitCode());
            $quick = (new LimitedProcess(500, 5, 20, 1000))->run(['sh', '-c', 'exit 3'], static fn () => null);
            self::assertSame(3, $quick->getExitCode());
            file_put_contents("$folder/a.png", $this->scanBytes());
            $this->expectException(UnreadableImage::class);
            $this->expectExceptionMessage('takes longer than 0 seconds to open');
            (new ChildDecoder(5000, 0))->read("$folder/a.png", static fn () => null);
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    public function test_a_shelf_picture_of_no_bytes_is_made_anew(): void
    {
        [$series, $page] = $this->series();
        $this->import($page, $this->person('Mira', $series, Role::Owner));
        $path = sprintf('pictures/%d-%d-%d.png', $page->id, $page->refresh()->revision, $series->palette_version);
        $disk = Storage::disk('works');
        $disk->put($path, '');
        $bytes = (new ShelfPicture($page))->bytes();
        self::assertStringStartsWith("\x89PNG", (string) $bytes);
        self::assertSame($bytes, $disk->get($path));
        $disk->put($path, "\x89PNG kept");
        self::assertSame("\x89PNG kept", (new ShelfPicture($page))->bytes(), 'composed once');
    }
}
