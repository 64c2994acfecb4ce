<?php

declare(strict_types=1);

namespace App\Store;

/** An image that was made of one page of a file. */
final readonly class DrawnPage
{
    /**
     * @param  string  $path  of a temporary file, which whoever asked for it takes away again
     * @param  int  $pages  how many the file has
     */
    public function __construct(public string $path, public int $pages)
    {
    }
}
