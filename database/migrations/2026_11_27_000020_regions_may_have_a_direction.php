<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which way strands or folds run in a region, where somebody drew it: a list of places. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('regions', fn (Blueprint $table) => $table->text('flow')->nullable());
    }
};
