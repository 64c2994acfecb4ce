<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;

/** A bridge that may be made: between two line ends, or from one to ink ahead of it. */
final readonly class BridgeCandidate
{
    /**
     * @param  int  $from  number of the line end it starts at
     * @param  ?int  $to  number of the one it goes to; null: it goes to the side of a line
     * @param  float  $score  how sure it is, 0..1
     * @param  list<float>  $features  what the score was made of
     */
    public function __construct(
        public Bridge $bridge,
        public int $from,
        public ?int $to,
        public float $score,
        public array $features,
    ) {
    }
}
