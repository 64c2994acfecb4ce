<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Wire\TypeScript;
use Illuminate\Console\Command;

final class Types extends Command
{
    protected $signature = 'awning:types {--check : only say whether the file is up to date}';

    protected $description = 'Write the types that cross HTTP for the browser';

    public function handle(): int
    {
        $path = resource_path('js/api/generated.ts');
        $source = (new TypeScript(base_path()))->source();
        if (! $this->option('check')) {
            file_put_contents($path, $source);
        } elseif (@file_get_contents($path) !== $source) {
            $this->error("$path differs from what PHP says. Run './awning types' and commit the result.");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
