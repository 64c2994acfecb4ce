<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The regions that a setup was painted in when it was hung: a list of numbers. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('passes', function (Blueprint $table): void {
            $table->text('setup_marked')->nullable();
        });
    }
};
