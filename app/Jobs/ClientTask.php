<?php

declare(strict_types=1);

namespace App\Jobs;

use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Validation\ValidationException;

/** Long work that a window may ask for. One class that extends LongTask, and one line in TaskKinds. */
interface ClientTask
{
    /** @return 'view'|'flat'|'colour' what somebody must be allowed to do with the page or the series */
    public static function right(): string;

    public static function holding(): Holding;

    /**
     * Reads what was asked for, looks up what it names, and keeps a file that was sent.
     *
     * @return array<string, mixed> what the task is stored with
     *
     * @throws ValidationException when a value is missing or not allowed
     * @throws ModelNotFoundException when it names what the page or the series does not have
     * @throws OpRefused|UnreadableImage
     */
    public static function asked(TaskInput $asked): array;
}
