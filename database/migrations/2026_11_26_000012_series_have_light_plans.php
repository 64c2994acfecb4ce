<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('light_plans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->string('name', 80);
            $table->text('plan');
            $table->unsignedInteger('version')->default(1);
            $table->boolean('retired')->default(false);
        });
        Schema::table('pages', function (Blueprint $table): void {
            $table->foreignId('plan_id')->nullable()->constrained('light_plans')->nullOnDelete();
        });
        Schema::table('regions', function (Blueprint $table): void {
            // What a region is taken for when light is roughed in; null: as round as its outline.
            $table->string('solid', 10)->nullable();
        });
    }
};
