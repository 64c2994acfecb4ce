<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Which layers an entry changed, in rows that can be asked for: what was painted in a pass is listed by them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('journal_layers', function (Blueprint $table): void {
            $table->foreignId('journal_id')->constrained('journal')->cascadeOnDelete();
            $table->string('layer', 60)->charset('ascii')->collation('ascii_bin');
            $table->primary(['journal_id', 'layer']);
            $table->index('layer');
        });
        foreach (DB::table('journal')->orderBy('id')->lazyById(100) as $entry) {
            $layers = array_unique(array_column((array) json_decode($entry->tiles, true), 0));
            DB::table('journal_layers')->insert(
                array_map(
                    fn (string $layer): array => ['journal_id' => $entry->id, 'layer' => $layer],
                    array_values($layers),
                ),
            );
        }
    }
};
