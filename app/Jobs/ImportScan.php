<?php

declare(strict_types=1);

namespace App\Jobs;

use Awning\Core\Page\Drawing\Drawing;

/**
 * Lays a scan on the page: one that is sent, or one that waits. A drawing that is named is replaced; else it is one
 * more.
 */
final class ImportScan extends LayDrawing implements ClientTask
{
    public static function kind(): string
    {
        return 'import';
    }

    public static function right(): string
    {
        return 'flat';
    }

    public static function holding(): Holding
    {
        return Holding::Held;
    }

    public static function forgetsFileWhenStopped(): bool
    {
        return true;
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked([
            'scan' => 'required_without:original',
            'original' => 'sometimes|integer',
            'cut' => 'sometimes|boolean',
            'drawing' => ['sometimes', 'string', self::ID],
            'picture' => 'sometimes|integer|min:1|max:'.Drawing::MOST_PICTURES,
        ]);
        $original = $input->has('original')
            ? $asked->page()->originals()->findOrFail($input->integer('original'))
            : $asked->file('scan');

        return [
            'original' => $original->id,
            'cut' => $input->boolean('cut'),
            'picture' => $input->integer('picture', 1),
        ] + ($input->has('drawing') ? ['drawing' => $input->string('drawing')->toString()] : []);
    }
}
