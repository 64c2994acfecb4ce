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
            $table->renameColumn('wears_id', 'variant_id');
            $table->renameColumn('holds_id', 'version_id');
        });
    }

    public function down(): void
    {
        Schema::table('pages', function (Blueprint $table): void {
            $table->renameColumn('variant_id', 'wears_id');
            $table->renameColumn('version_id', 'holds_id');
        });
    }
};
