<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\ShelfPicture;
use App\Models\Page;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** Makes a page's small picture, as the page is when this comes to its turn. */
final class MakePicture implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** Worked on when nothing else waits. */
    public const LINE = 'pictures';

    public int $tries = 1;

    public function __construct(public int $page)
    {
    }

    public function handle(): void
    {
        $page = Page::query()->find($this->page);
        if ($page !== null) {
            (new ShelfPicture($page))->make();
        }
    }
}
