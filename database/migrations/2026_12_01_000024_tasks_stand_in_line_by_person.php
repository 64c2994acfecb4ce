<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which line a task waits in, how often it was begun, and when last: the next is taken by person, not by job. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('tasks', function (Blueprint $table): void {
            $table->string('line', 10)->default('long')->after('kind');
            $table->unsignedTinyInteger('attempts')->default(0)->after('worker');
            $table->dateTime('begun_at', 6)->nullable()->after('attempts');
            $table->dropColumn('job_id');
            $table->index(['state', 'line', 'user_id']);
            $table->index(['user_id', 'line', 'begun_at']);
        });
    }

    public function down(): void
    {
        Schema::table('tasks', function (Blueprint $table): void {
            $table->dropIndex(['state', 'line', 'user_id']);
            $table->dropIndex(['user_id', 'line', 'begun_at']);
            $table->dropColumn(['line', 'attempts', 'begun_at']);
            $table->unsignedBigInteger('job_id')->nullable();
        });
    }
};
