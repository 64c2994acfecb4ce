<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Files and long work may belong to a whole series, not only to a page. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['originals', 'tasks'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->foreignId('page_id')->nullable()->change();
                $table->foreignId('series_id')->nullable()->constrained('series')->cascadeOnDelete();
            });
        }
        Schema::create('reference_pictures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->foreignId('page_id')->nullable()->constrained('pages')->cascadeOnDelete();
            $table->foreignId('original_id')->constrained('originals')->cascadeOnDelete();
            $table->foreignId('task_id')->nullable()->constrained('tasks')->nullOnDelete();
            $table->string('name', 200);
            $table->unsignedInteger('width')->nullable();
            $table->unsignedInteger('height')->nullable();
            $table->longText('colours')->nullable();
            $table->float('x')->default(0);
            $table->float('y')->default(0);
            $table->float('across')->default(320);
            $table->boolean('mirrored')->default(false);
            $table->boolean('grey')->default(false);
        });
    }
};
