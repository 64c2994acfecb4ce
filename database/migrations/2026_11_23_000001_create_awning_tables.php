<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        $this->people();
        $this->series();
        $this->pages();
        $this->services();
    }

    public function down(): void
    {
        foreach (
            [
                'failed_jobs',
                'jobs',
                'cache_locks',
                'cache',
                'sessions',
                'tasks',
                'originals',
                'journal',
                'layer_tiles',
                'tiles',
                'page_facts',
                'pages',
                'materials',
                'figures',
                'members',
                'series',
                'users',
            ] as $table
        ) {
            Schema::dropIfExists($table);
        }
    }

    private function people(): void
    {
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80);
            $table->string('email', 190)->unique();
            $table->string('password');
            $table->boolean('is_demo')->default(false);
            $table->rememberToken();
            $table->timestamps();
        });
    }

    private function series(): void
    {
        Schema::create('series', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->char('light', 7)->default('#fff1d6');
            $table->unsignedSmallInteger('read_width_mm')->default(160);
            $table->unsignedSmallInteger('read_ppi')->default(110);
            $table->unsignedInteger('palette_version')->default(1);
            $table->timestamps();
        });
        Schema::create('members', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('role', 12);
            $table->timestamps();
            $table->unique(['series_id', 'user_id']);
        });
        Schema::create('figures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->string('name', 80);
            $table->unsignedSmallInteger('depth')->default(0);
            $table->timestamps();
        });
        Schema::create('materials', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->unsignedSmallInteger('place')->default(0);
            $table->json('pinned');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
    }

    private function pages(): void
    {
        Schema::create('pages', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->unsignedSmallInteger('number');
            $table->string('title', 120);
            $table->unsignedInteger('revision')->default(0);
            $table->foreignId('holder_id')->nullable()->constrained('users')->nullOnDelete();
            $table->string('lease', 40)->nullable();
            $table->timestamp('lease_until')->nullable();
            $table->timestamps();
            $table->unique(['series_id', 'number']);
        });
        Schema::create('page_facts', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 10)->charset('ascii')->collation('ascii_bin');
            $table->string('name', 40)->charset('ascii')->collation('ascii_bin');
            $table->text('value');
            $table->primary(['page_id', 'kind', 'name']);
        });
        Schema::create('tiles', function (Blueprint $table): void {
            $table->char('hash', 64)->charset('ascii')->collation('ascii_bin')->primary();
            $table->mediumText('bytes')->charset('binary');
            $table->timestamp('made_at')->useCurrent()->index();
        });
        Schema::create('layer_tiles', function (Blueprint $table): void {
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->string('layer', 60)->charset('ascii')->collation('ascii_bin');
            $table->unsignedSmallInteger('column');
            $table->unsignedSmallInteger('row');
            $table->char('hash', 64)->charset('ascii')->collation('ascii_bin')->index();
            $table->primary(['page_id', 'layer', 'column', 'row']);
        });
        Schema::create('journal', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('title', 120);
            $table->string('state', 8)->default('done');
            $table->mediumText('tiles');
            $table->longText('facts');
            $table->timestamp('made_at')->useCurrent();
            $table->index(['page_id', 'state', 'id']);
        });
        Schema::create('originals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 200);
            $table->string('path', 120);
            $table->char('sha256', 64);
            $table->unsignedBigInteger('bytes');
            $table->timestamps();
        });
        Schema::create('tasks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('page_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 12);
            $table->string('state', 10)->default('waiting');
            $table->unsignedTinyInteger('progress')->default(0);
            $table->string('message', 400)->default('');
            $table->json('input');
            $table->string('result_path', 160)->nullable();
            $table->string('result_name', 200)->nullable();
            $table->timestamps();
        });
    }

    private function services(): void
    {
        Schema::create('sessions', function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->foreignId('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });
        Schema::create('cache', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->mediumText('value');
            $table->integer('expiration');
        });
        Schema::create('cache_locks', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->string('owner');
            $table->integer('expiration');
        });
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }
};
