<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('moods', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained()->cascadeOnDelete();
            $table->string('name', 60);
            $table->mediumText('layers');
            $table->boolean('retired')->default(false);
        });
        Schema::table('pages', fn (Blueprint $table) => $table->string('mood', 60)->default(''));
    }

    public function down(): void
    {
        Schema::table('pages', fn (Blueprint $table) => $table->dropColumn('mood'));
        Schema::drop('moods');
    }
};
