<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pages', function (Blueprint $table): void {
            $table->foreignId('holds_id')->nullable()->constrained('palette_versions')->nullOnDelete();
            // Materials that follow the palette all the same.
            $table->text('follows')->nullable();
        });
    }
};
