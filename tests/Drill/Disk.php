<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Store\NotKept;
use App\Store\WholeFile;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Process\Process;

/** A disk that is full and folders that cannot be written. */
final readonly class Disk
{
    public function __construct(private Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(int $times): array
    {
        $folder = sys_get_temp_dir().'/awning-full-'.bin2hex(random_bytes(3));
        mkdir($folder);
        if ((new Process(['mount', '-t', 'tmpfs', '-o', 'size=2m', 'tmpfs', $folder]))->run() !== 0) {
            rmdir($folder);

            return [0, 'no small disk can be mounted here'];
        }
        try {
            $disk = Storage::build(['driver' => 'local', 'root' => $folder, 'throw' => true]);
            $whole = new WholeFile($disk);
            $kept = $refused = 0;
            for ($i = 0; $i < $times; $i++) {
                $bytes = random_bytes(mt_rand(1, 900_000));
                try {
                    $whole->put("originals/$i", $bytes, strlen($bytes), hash('sha256', $bytes));
                    $kept++;
                    $whole->is("originals/$i", strlen($bytes), hash('sha256', $bytes)) ||
                        $this->tally->fail('disk', "file $i was called whole and is not");
                } catch (NotKept) {
                    $refused++;
                    $disk->exists("originals/$i") && $this->tally->fail('disk', "file $i was refused and is there");
                    mt_rand(0, 2) === 0 && $disk->deleteDirectory('originals');
                }
            }
            $refused > 0 || $this->tally->fail('disk', 'the small disk was never full');
            foreach ($disk->allFiles() as $file) {
                str_contains($file, WholeFile::PART) && $this->tally->fail('disk', "$file was left");
            }
            // Root may write anywhere but where there is no folder.
            config(['logging.channels.daily.path' => '/proc/none/awning.log']);
            Log::forgetChannel('daily');
            Log::error('This cannot be written down, and nothing breaks.');

            return [
                $times,
                "$kept kept, $refused refused for want of room; a log that cannot be written breaks nothing",
            ];
        } finally {
            (new Process(['umount', $folder]))->run();
            @rmdir($folder);
        }
    }
}
