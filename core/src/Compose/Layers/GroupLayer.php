<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\PassGroup;

/** Layers that are taken as one. */
final readonly class GroupLayer implements Layer
{
    /** @param  list<Layer>  $members  bottom up */
    public function __construct(public array $members, public PassGroup $group = new PassGroup)
    {
    }

    public function lay(Canvas $canvas, Ground $ground): void
    {
        if ($this->group->opacity > 0) {
            $canvas->group(
                fn (Canvas $inner) => $this->layMembers($inner, $ground),
                $this->group->isolated,
                $this->group->mode,
                $this->group->opacity,
            );
        }
    }

    private function layMembers(Canvas $canvas, Ground $ground): void
    {
        foreach ($this->members as $member) {
            $member->lay($canvas, $ground);
        }
    }
}
