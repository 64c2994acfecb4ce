<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('tasks', function (Blueprint $table): void {
            // The lease it was begun under: what it makes lands only while that holds.
            $table->string('lease', 40)->nullable();
            // The queue's own number for it, and which process works on it: "host pid start".
            $table->unsignedBigInteger('job_id')->nullable();
            $table->string('worker', 100)->nullable();
            // What the person must decide before it can go on.
            $table->json('question')->nullable();
            $table->index(['state', 'created_at']);
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->timestamp('disabled_at')->nullable();
        });
        Schema::create('invitations', function (Blueprint $table): void {
            $table->id();
            // Only a hash is kept: who reads the database cannot use the links.
            $table->char('token_hash', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->foreignId('user_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('series_id')->nullable()->constrained('series')->cascadeOnDelete();
            $table->string('role', 12)->nullable();
            $table->string('email', 190)->nullable();
            $table->foreignId('made_by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestamp('expires_at');
            $table->timestamp('used_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('invitations');
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('disabled_at'));
        Schema::table('tasks', function (Blueprint $table): void {
            $table->dropIndex(['state', 'created_at']);
            $table->dropColumn(['lease', 'job_id', 'worker', 'question']);
        });
    }
};
