<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is painted in twenty-four passes takes more than a text of 64 KB. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('setups', function (Blueprint $table): void {
            $table->mediumText('passes')->change();
        });
    }
};
