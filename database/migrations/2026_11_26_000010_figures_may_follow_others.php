<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('figures', function (Blueprint $table): void {
            $table->foreignId('follows_id')->nullable()->constrained('figures')->nullOnDelete();
            $table->foreignId('linked_by')->nullable()->constrained('users')->nullOnDelete();
            $table->unsignedInteger('followed_version')->default(0);
        });
        Schema::table('materials', function (Blueprint $table): void {
            $table->foreignId('follows_id')->nullable()->constrained('materials')->nullOnDelete();
        });
    }
};
