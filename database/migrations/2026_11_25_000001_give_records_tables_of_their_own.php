<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Records of a page move from one table of JSON into tables with columns; the journal keeps the op as it was asked for;
 * every revision says which entry it did or took back. Pages and their journals move along, so that everything done
 * before can still be undone to the first step.
 */
return new class extends Migration
{
    private const NORMAL = 'normal';

    public function up(): void
    {
        $this->makeTables();
        $this->moveFacts();
        $this->moveJournal();
        $this->orderDepths();
        Schema::drop('page_facts');
    }

    private function makeTables(): void
    {
        Schema::table('pages', function (Blueprint $table): void {
            $table->unsignedSmallInteger('width')->nullable();
            $table->unsignedSmallInteger('height')->nullable();
            $table->double('dpi')->nullable();
            $table->unsignedTinyInteger('paper')->nullable();
            $table->unsignedTinyInteger('ink')->nullable();
        });
        Schema::create('regions', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('label');
            $table->unsignedBigInteger('figure_id')->default(0);
            $table->unsignedBigInteger('material_id')->default(0)->index();
            $table->unsignedInteger('area');
            $table->unsignedSmallInteger('x');
            $table->unsignedSmallInteger('y');
            $table->primary(['page_id', 'label']);
            $table->index(['page_id', 'material_id']);
        });
        Schema::create('bridges', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            foreach (['x1', 'y1', 'x2', 'y2'] as $end) {
                $table->unsignedSmallInteger($end);
            }
            $table->primary(['page_id', 'number']);
        });
        Schema::create('passes', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('id', 40)->charset('ascii')->collation('ascii_bin');
            $table->unsignedBigInteger('figure_id')->default(0);
            $table->string('name', 60);
            $table->string('kind', 12);
            $table->mediumText('settings');
            $table->string('scope_kind', 12);
            $table->unsignedBigInteger('scope_id')->default(0);
            $table->string('mode', 16);
            $table->double('opacity');
            $table->boolean('visible');
            $table->double('place');
            $table->string('group_id', 40)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->primary(['page_id', 'id']);
            $table->index(['page_id', 'figure_id', 'place']);
        });
        Schema::create('pass_groups', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('id', 40)->charset('ascii')->collation('ascii_bin');
            $table->boolean('isolated');
            $table->string('mode', 16);
            $table->double('opacity');
            $table->primary(['page_id', 'id']);
        });
        Schema::table('journal', function (Blueprint $table): void {
            $table->renameColumn('facts', 'records');
            // What was asked for: unknown of what was done before this was kept.
            $table->string('kind', 20)->default('');
            $table->unsignedSmallInteger('form')->default(0);
            $table->longText('input')->nullable();
            $table->string('right', 8)->default('colour');
        });
        Schema::create('page_changes', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision');
            $table->foreignId('journal_id')->constrained('journal')->cascadeOnDelete();
            $table->boolean('back');
            $table->string('op_id', 40)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->timestamp('made_at')->useCurrent();
            $table->primary(['page_id', 'revision']);
            $table->unique(['page_id', 'op_id']);
        });
        Schema::create('series_journal', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('version');
            $table->string('kind', 20);
            $table->unsignedSmallInteger('form');
            $table->longText('input');
            $table->string('title', 120);
            $table->longText('records');
            $table->string('op_id', 40)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->timestamp('made_at')->useCurrent();
            $table->unique(['series_id', 'version']);
            $table->unique(['series_id', 'op_id']);
        });
    }

    private function moveFacts(): void
    {
        DB::table('page_facts')
            ->orderBy('page_id')
            ->orderBy('kind')
            ->orderBy('name')
            ->chunk(1000, function (Collection $facts): void {
                $rows = [];
                foreach ($facts as $fact) {
                    $value = json_decode($fact->value, true, flags: JSON_THROW_ON_ERROR);
                    match ($fact->kind) {
                        'page' => DB::table('pages')->where('id', $fact->page_id)->update(
                            array_intersect_key($value, [
                                'width' => 0,
                                'height' => 0,
                                'dpi' => 0,
                                'paper' => 0,
                                'ink' => 0,
                            ]),
                        ),
                        'region' => ($rows['regions'][] = [
                            'page_id' => $fact->page_id,
                            'label' => (int) $fact->name,
                            'figure_id' => $value['figure'],
                            'material_id' => $value['material'],
                            'area' => $value['area'],
                            'x' => $value['x'],
                            'y' => $value['y'],
                        ]),
                        'bridge' => ($rows['bridges'][] =
                            ['page_id' => $fact->page_id, 'number' => (int) $fact->name] + $value),
                        'pass' => ($rows['passes'][] = $this->pass($fact->page_id, $fact->name, $value)),
                        'group' => ($rows['pass_groups'][] =
                            ['page_id' => $fact->page_id, 'id' => $fact->name] + $this->honest($value)),
                    };
                }
                foreach ($rows as $table => $list) {
                    DB::table($table)->insert($list);
                }
            });
        // A group could be left behind without members; the picture never showed it.
        DB::table('pass_groups')
            ->whereNotExists(
                fn ($query) => $query
                    ->from('passes')
                    ->whereColumn('passes.page_id', 'pass_groups.page_id')
                    ->whereColumn('passes.group_id', 'pass_groups.id'),
            )
            ->delete();
    }

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private function pass(int $page, string $id, array $value): array
    {
        return [
            'page_id' => $page,
            'id' => $id,
            'figure_id' => $value['figure'],
            'name' => $value['name'],
            'kind' => $value['kind'],
            'settings' => json_encode(
                match ($value['kind']) {
                    'tone' => ['tone' => $value['tone']],
                    'tint' => ['colour' => $value['colour']],
                    default => new stdClass,
                },
                JSON_THROW_ON_ERROR,
            ),
            'scope_kind' => $value['scope']['kind'],
            'scope_id' => $value['scope']['id'],
            'mode' => $value['mode'],
            'opacity' => $value['opacity'],
            'visible' => $value['visible'],
            'place' => $value['order'],
            'group_id' => $value['group'],
        ];
    }

    /**
     * A group that was not isolated was laid normally whatever its mode said; now it says so.
     *
     * @param  array<string, mixed>  $group
     * @return array<string, mixed>
     */
    private function honest(array $group): array
    {
        return [
            'isolated' => $group['isolated'],
            'mode' => $group['isolated'] ? $group['mode'] : self::NORMAL,
            'opacity' => $group['opacity'],
        ];
    }

    private function moveJournal(): void
    {
        foreach (DB::table('journal')->orderBy('id')->lazyById(50) as $entry) {
            $records = json_decode($entry->records, true, flags: JSON_THROW_ON_ERROR);
            $tiles = json_decode($entry->tiles, true, flags: JSON_THROW_ON_ERROR);
            $colour = false;
            foreach ($records as &$record) {
                $colour = $colour || $record[0] === 'pass' || $record[0] === 'group';
                if ($record[0] === 'group') {
                    foreach ([2, 3] as $side) {
                        $record[$side] = $record[$side] === null ? null : $this->honest($record[$side]);
                    }
                }
            }
            unset($record);
            foreach ($tiles as [$layer]) {
                $colour = $colour || str_starts_with($layer, 'pass:') || str_starts_with($layer, 'paint:');
            }
            DB::table('journal')
                ->where('id', $entry->id)
                ->update([
                    'right' => $colour ? 'colour' : 'flat',
                    'records' => json_encode(
                        $records,
                        JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE,
                    ),
                ]);
        }
    }

    /** Depth becomes a total order: no two figures of a series at one depth. */
    private function orderDepths(): void
    {
        foreach (DB::table('figures')->distinct()->pluck('series_id') as $series) {
            $figures = DB::table('figures')
                ->where('series_id', $series)
                ->orderBy('depth')
                ->orderByDesc('id')
                ->pluck('id');
            foreach ($figures as $place => $figure) {
                DB::table('figures')
                    ->where('id', $figure)
                    ->update(['depth' => $place + 1]);
            }
        }
        Schema::table('figures', fn (Blueprint $table) => $table->unique(['series_id', 'depth']));
    }
};
