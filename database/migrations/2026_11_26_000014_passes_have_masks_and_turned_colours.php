<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('passes', function (Blueprint $table): void {
            $table->string('mask_pass', 24)->nullable();
            $table->boolean('mask_outside')->default(false);
            $table->double('turn_lightness')->nullable();
            $table->double('turn_chroma')->nullable();
            $table->double('turn_hue')->nullable();
        });
    }
};
