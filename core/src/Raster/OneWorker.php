<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** One piece after the other. */
final readonly class OneWorker implements Workers
{
    public function each(array $pieces, callable $work, ?callable $progress = null): array
    {
        $done = [];
        foreach ($pieces as $piece) {
            $done[] = $work($piece);
            if ($progress !== null) {
                $progress(count($done) / count($pieces));
            }
        }

        return $done;
    }
}
