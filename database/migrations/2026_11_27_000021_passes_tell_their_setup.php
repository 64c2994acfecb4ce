<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which pass of which setup a pass was hung as. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('passes', function (Blueprint $table): void {
            $table->unsignedBigInteger('setup_id')->nullable()->index();
            $table->unsignedTinyInteger('setup_place')->nullable();
        });
    }
};
