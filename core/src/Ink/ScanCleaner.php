<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Plane;

/** From a scan to ink: paper flattened, levels set, dust dropped. */
final readonly class ScanCleaner
{
    public function __construct(
        private PaperFlattener $flattener = new PaperFlattener,
        private SpeckFilter $specks = new SpeckFilter,
    ) {
    }

    /**
     * @param  non-empty-list<Plane>  $channels  a grey scan, or red, green and blue
     */
    public function clean(array $channels, ?Levels $levels = null): CleanScan
    {
        $darkness = $this->flattener->flatten($channels);
        $levels ??= Levels::measure($darkness);

        return new CleanScan($darkness, $levels, $this->ink($darkness, $levels));
    }

    /** @return Plane coverage of ink, 255 where it is full */
    public function ink(Plane $darkness, Levels $levels): Plane
    {
        return $this->specks->drop($darkness->mapped($levels->table()));
    }
}
