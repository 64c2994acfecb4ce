<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pages', function (Blueprint $table): void {
            $table->unsignedBigInteger('mood_plan')->nullable();
            $table->unsignedBigInteger('mood_variant')->nullable();
        });
        Schema::table('moods', function (Blueprint $table): void {
            // By name: a mood travels from series to series.
            $table->string('light', 80)->default('');
            $table->string('variant', 80)->default('');
        });
    }

    public function down(): void
    {
        Schema::table('pages', fn (Blueprint $table) => $table->dropColumn(['mood_plan', 'mood_variant']));
        Schema::table('moods', fn (Blueprint $table) => $table->dropColumn(['light', 'variant']));
    }
};
