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
            $table->boolean('locked')->default(false);
            $table->string('shift', 24)->charset('ascii')->nullable();
        });
        Schema::create('colour_shifts', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('id', 24)->charset('ascii');
            $table->unsignedBigInteger('material_id')->index();
            foreach (['lightness', 'chroma', 'hue'] as $value) {
                $table->double($value);
            }
            $table->primary(['page_id', 'id']);
        });
    }
};
