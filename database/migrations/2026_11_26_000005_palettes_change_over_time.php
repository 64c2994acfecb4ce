<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was taken out of a palette stays in its table: pages and journals name it, and undo brings it back.
        foreach (['figures', 'materials'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->boolean('retired')->default(false);
                $table->unsignedBigInteger('stands_in')->nullable();
            });
        }
        foreach (['series', 'materials'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->text('dials')->nullable();
            });
        }
        Schema::table('series_journal', function (Blueprint $table): void {
            $table->string('state', 8)->charset('ascii')->default('done');
        });
        Schema::create('palette_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 80);
            $table->unsignedInteger('version');
            $table->longText('palette');
            $table->timestamp('made_at')->useCurrent();
        });
    }
};
