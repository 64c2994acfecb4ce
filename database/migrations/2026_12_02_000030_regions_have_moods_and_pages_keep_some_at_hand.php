<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('regions', function (Blueprint $table): void {
            $table->boolean('in_mood')->default(false);
            $table->unsignedBigInteger('mood_plan')->nullable();
            $table->unsignedBigInteger('mood_variant')->nullable();
        });
        Schema::create('held_moods', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('id', 24)->charset('ascii');
            $table->string('name', 60);
            $table->unsignedBigInteger('plan')->nullable();
            $table->unsignedBigInteger('variant')->nullable();
            $table->mediumText('layers');
            $table->mediumText('groups');
            $table->primary(['page_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::drop('held_moods');
        Schema::table('regions', fn (Blueprint $table) => $table->dropColumn(['in_mood', 'mood_plan', 'mood_variant']));
    }
};
