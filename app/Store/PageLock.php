<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Facades\DB;

/** One long piece of work on a page at a time. The database holds it for the connection: whoever dies gives it back. */
final class PageLock
{
    private const WAIT_SECONDS = 1;

    private bool $held = false;

    public function __construct(private readonly int $page)
    {
    }

    /** @param  callable(): void  $waiting  called while somebody else has it; may throw to wait no longer */
    public function take(callable $waiting): void
    {
        while (! $this->held) {
            $this->held = DB::scalar('SELECT GET_LOCK(?, ?)', [$this->name(), self::WAIT_SECONDS]) === 1;
            if (! $this->held) {
                $waiting();
            }
        }
    }

    public function give(): void
    {
        if ($this->held) {
            DB::scalar('SELECT RELEASE_LOCK(?)', [$this->name()]);
            $this->held = false;
        }
    }

    private function name(): string
    {
        // Names are the server's, not the database's.
        return substr(DB::getDatabaseName(), 0, 40)." page $this->page";
    }
}
