<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * What is told of regions, whose labels the op holds, most of it for when light is roughed in on them: nothing else of
 * them changes, and no pixel.
 */
trait AltersRegions
{
    abstract private function changed(Region $region): Region;

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($sheet->picked($this->labels) as $label => $region) {
            $sheet->put($label, $this->changed($region));
        }
    }
}
