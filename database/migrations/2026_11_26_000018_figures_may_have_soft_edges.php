<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The outer edge of a figure may be shown softened by a pixel. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('figures', fn (Blueprint $table) => $table->boolean('soft')->default(false));
    }
};
