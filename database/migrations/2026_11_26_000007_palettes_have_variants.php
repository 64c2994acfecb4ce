<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('palette_variants', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->string('name', 80);
            $table->longText('tones');
            $table->unsignedInteger('version')->default(1);
            $table->boolean('retired')->default(false);
        });
        Schema::table('pages', function (Blueprint $table): void {
            $table->foreignId('wears_id')->nullable()->constrained('palette_variants')->nullOnDelete();
        });
    }
};
