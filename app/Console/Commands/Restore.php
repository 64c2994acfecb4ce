<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Original;
use App\Models\Page;
use App\Models\Task;
use App\Store\Backup\Archive;
use App\Store\Backup\Dump;
use App\Store\WholeFile;
use App\Values\Scalar;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/**
 * A backup in place of what is there. What was there is kept aside, and nothing is touched before all of it is ready.
 */
final class Restore extends BatchCommand
{
    protected $signature = 'awning:restore {file : a backup} {--yes : do not ask}';

    protected $description = 'Put a backup in place of what is there, which is kept aside';

    public function handle(Dump $dump): int
    {
        return $this->guarded(function () use ($dump): void {
            $archive = Archive::verified($this->place((string) $this->argument('file')));
            if (
                ! $this->option('yes') &&
                $this->input->isInteractive() &&
                ! $this->confirm('Put this backup in place of what is there now?')
            ) {
                return;
            }
            $live = DB::getDatabaseName();
            $stamp = date('Ymd_His');
            [$new, $aside] = ["{$live}_new_$stamp", "{$live}_before_$stamp"];
            DB::statement("CREATE DATABASE `$new`");
            try {
                $sql = $archive->stream(Archive::DATABASE);
                $dump->read($sql, $new);
                $this->putOriginals($archive);
                $this->swap($live, $new, $aside);
            } finally {
                DB::statement("DROP DATABASE IF EXISTS `$new`");
            }
            // Named by numbers that are given out anew from here on.
            Storage::disk('works')->deleteDirectory('pictures');
            Artisan::call('migrate', ['--force' => true]);
            Task::query()
                ->whereIn('state', ['waiting', 'working'])
                ->update(['state' => 'stopped', 'message' => 'A backup was put in place meanwhile.']);
            $this->line(
                "The backup is in place. What was there is kept in the database $aside; drop it when you are sure.",
            );
            $this->line(
                Original::query()->count().
                    ' originals, '.
                    Page::query()->count().
                    ' pages. Open windows must be loaded again.',
            );
        });
    }

    private function putOriginals(Archive $archive): void
    {
        $whole = new WholeFile(Storage::disk('works'));
        foreach ($archive->files() as $name => ['bytes' => $bytes, 'sha256' => $sha256]) {
            if (! str_starts_with($name, 'works/originals/') || str_contains($name, '..')) {
                continue;
            }
            $path = substr($name, strlen('works/'));
            if (! $whole->is($path, $bytes, $sha256)) {
                $whole->put($path, $archive->stream($name), $bytes, $sha256);
            }
        }
    }

    /** All tables change places in one statement: whoever looks sees all of the old or all of the new. */
    private function swap(string $live, string $new, string $aside): void
    {
        DB::statement("CREATE DATABASE `$aside`");
        $tables = fn (string $database): array => Scalar::strings(
            array_column(
                DB::select('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?', [$database]),
                'name',
            ),
        );
        $moves = [
            ...array_map(fn (string $table): string => "`$live`.`$table` TO `$aside`.`$table`", $tables($live)),
            ...array_map(fn (string $table): string => "`$new`.`$table` TO `$live`.`$table`", $tables($new)),
        ];
        DB::statement('SET SESSION foreign_key_checks = 0');
        DB::statement('RENAME TABLE '.implode(', ', $moves));
        DB::statement('SET SESSION foreign_key_checks = 1');
    }
}
