<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Of which state of a page its small picture is, and when that was made and asked for. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pages', function (Blueprint $table): void {
            $table->string('pictured', 40)->nullable();
            $table->dateTime('pictured_at')->nullable();
            $table->dateTime('picture_asked_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('pages', function (Blueprint $table): void {
            $table->dropColumn(['pictured', 'pictured_at', 'picture_asked_at']);
        });
    }
};
