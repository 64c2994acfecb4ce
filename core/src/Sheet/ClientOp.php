<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Page\Data;
use Awning\Core\Sheet\State\References;

/** An op a client may ask for. */
interface ClientOp extends Op
{
    /**
     * @throws \InvalidArgumentException|\RangeException|OpRefused when the input is not what the op needs; the message
     *                                                              says what to do
     */
    public static function fromInput(Data $input): self;

    public function refersTo(): References;
}
