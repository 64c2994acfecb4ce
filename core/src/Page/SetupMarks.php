<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** What was painted in a pass of a setup, on a small square that stands for the box of what it was painted on. */
final readonly class SetupMarks
{
    /** Pixels along a side. */
    public const SIDE = 64;

    /**
     * @param  string  $coverage  one byte a pixel, row after row
     *
     * @throws \InvalidArgumentException when it is of another size
     */
    public function __construct(public string $coverage)
    {
        if (strlen($coverage) !== self::SIDE ** 2) {
            throw new \InvalidArgumentException('The marks of a setup are '.self::SIDE.' by '.self::SIDE.' pixels.');
        }
    }

    /** @throws \InvalidArgumentException */
    public static function fromText(string $text): self
    {
        // What is unpacked is no longer than it may be, whatever was packed.
        $coverage = @gzuncompress((string) base64_decode($text, true), self::SIDE ** 2);

        return new self($coverage === false ? '' : $coverage);
    }

    public function toText(): string
    {
        return base64_encode((string) gzcompress($this->coverage, 9));
    }
}
