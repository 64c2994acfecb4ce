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
            // 0: the palette as it is, whatever the page wears. Variants are never deleted, only retired.
            $table->unsignedBigInteger('wears')->nullable();
        });
    }
};
