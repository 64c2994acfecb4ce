<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A page's ink becomes the sum of its drawings and of lines drawn here. The one scan that a page had becomes its first
 * drawing, in its journal, too, so that everything can still be undone to the first step.
 */
return new class extends Migration
{
    private const FIRST = 'drawing1';

    public function up(): void
    {
        Schema::create('drawings', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('id', 40)->charset('ascii')->collation('ascii_bin');
            $table->unsignedBigInteger('original_id')->default(0);
            $table->mediumText('settings');
            $table->primary(['page_id', 'id']);
        });
        Schema::create('ink_strokes', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('id', 40)->charset('ascii')->collation('ascii_bin');
            $table->double('weight');
            $table->double('taper');
            $table->double('steady');
            $table->mediumText('points');
            $table->primary(['page_id', 'id']);
        });
        Schema::table('pages', function (Blueprint $table): void {
            $table->boolean('behind')->default(false);
            $table->string('lines', 200)->nullable();
        });
        foreach (DB::table('pages')->whereNotNull('width')->get() as $page) {
            DB::table('drawings')->insert([
                'page_id' => $page->id,
                'id' => self::FIRST,
                'original_id' => $this->original($page),
                'settings' => json_encode($this->drawing($page, (int) $page->paper, (int) $page->ink)),
            ]);
        }
        DB::statement(
            "INSERT INTO layer_tiles (page_id, layer, `column`, `row`, hash) SELECT page_id, 'drawing:drawing1', `column`, `row`, hash FROM layer_tiles WHERE layer = 'ink'",
        );
        DB::table('layer_tiles')
            ->where('layer', 'scan')
            ->update(['layer' => 'scan:drawing1']);
        $this->moveJournal();
        Schema::table('pages', fn (Blueprint $table) => $table->dropColumn(['paper', 'ink']));
    }

    private function original(stdClass $page): int
    {
        return (int) DB::table('originals')->where('page_id', $page->id)->max('id');
    }

    /** @return array<string, mixed> */
    private function drawing(stdClass $page, int $paper, int $ink): array
    {
        $original = $this->original($page);

        return [
            'original' => $original,
            'name' => (string) DB::table('originals')->where('id', $original)->value('name'),
            'width' => $page->width,
            'height' => $page->height,
            'clean' => [
                'flatten' => 1,
                'paper' => $paper,
                'ink' => max($paper + 1, $ink),
                'weight' => 0,
                'specks' => 9,
                'pinholes' => 4,
                'colours' => 'auto',
                'turn' => 0,
                'hard' => false,
                'crop' => true,
            ],
            'place' => [
                'x' => $page->width / 2,
                'y' => $page->height / 2,
                'scale' => 1,
                'turn' => 0,
                'mirror' => false,
                'corners' => null,
            ],
            'role' => 'ink',
            'tint' => '#4a8fe0',
            'strength' => 0.5,
            'visible' => true,
            'found' => [
                'paper' => $paper,
                'ink' => max($paper + 1, $ink),
                'askew' => null,
                'turned' => 0,
                'specks' => 0,
                'share' => 0.1,
                'dropped' => [],
                'sheet' => null,
            ],
        ];
    }

    private function moveJournal(): void
    {
        $pages = DB::table('pages')->get()->keyBy('id');
        foreach (DB::table('journal')->orderBy('id')->lazyById(50) as $entry) {
            $tiles = $records = [];
            foreach (json_decode($entry->tiles, true, flags: JSON_THROW_ON_ERROR) as $tile) {
                $tiles[] = $tile[0] === 'scan' ? ['scan:'.self::FIRST, ...array_slice($tile, 1)] : $tile;
                if ($tile[0] === 'ink') {
                    $tiles[] = ['drawing:'.self::FIRST, ...array_slice($tile, 1)];
                }
            }
            foreach (json_decode($entry->records, true, flags: JSON_THROW_ON_ERROR) as $record) {
                if ($record[0] === 'page') {
                    $side = fn (?array $size): ?array => $size === null
                        ? null
                        : array_diff_key($size, ['paper' => 0, 'ink' => 0]) + ['behind' => false];
                    $first = fn (?array $size): ?array => $size === null || ! isset($pages[$entry->page_id])
                        ? null
                        : $this->drawing(
                            (object) ['id' => $entry->page_id, 'width' => $size['width'], 'height' => $size['height']],
                            (int) $size['paper'],
                            (int) $size['ink'],
                        );
                    $records[] = ['drawing', self::FIRST, $first($record[2]), $first($record[3])];
                    $record = ['page', $record[1], $side($record[2]), $side($record[3])];
                }
                $records[] = $record;
            }
            DB::table('journal')
                ->where('id', $entry->id)
                ->update([
                    'tiles' => json_encode($tiles, JSON_THROW_ON_ERROR),
                    'records' => json_encode(
                        $records,
                        JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE,
                    ),
                ]);
        }
    }
};
