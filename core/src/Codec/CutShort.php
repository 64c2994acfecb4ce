<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/** The file ends before its picture does. What is there can be read, if somebody says so. */
final class CutShort extends UnreadableImage
{
    /** @param  float  $share  how much of the picture is there, 0..1 */
    public function __construct(public readonly float $share)
    {
        parent::__construct(
            sprintf(
                'The file ends before its picture does: about %d %% of it is there. Send the whole file, or read '
                    .'what is there.',
                (int) floor(100 * $share),
            ),
        );
    }
}
