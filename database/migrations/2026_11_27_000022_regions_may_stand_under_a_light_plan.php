<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A panel may be lit otherwise than its page. Light plans are never deleted, only retired. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('regions', fn (Blueprint $table) => $table->unsignedBigInteger('stands')->nullable());
    }
};
