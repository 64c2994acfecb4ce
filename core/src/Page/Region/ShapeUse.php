<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

/** What a shape drawn by hand does to the flats. */
enum ShapeUse: string
{
    /** What is inside becomes the material. */
    case Add = 'add';

    /** What is inside is of the material no more. */
    case Take = 'take';

    /** Only what is inside stays of the material. */
    case Keep = 'keep';
}
