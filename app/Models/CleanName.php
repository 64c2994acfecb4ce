<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Bounds;

/**
 * A row whose name is one line of characters that can be seen, wherever it comes from: a form, a file, the command
 * line.
 */
trait CleanName
{
    public function setNameAttribute(string $name): void
    {
        $this->attributes['name'] = Bounds::shown($name);
    }
}
