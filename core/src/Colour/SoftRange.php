<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** A range of values that something keeps to, and fades out of over as much at either end. */
final readonly class SoftRange
{
    /**
     * @param  float  $from  where it counts in full
     * @param  float  $to  above it or the same
     * @param  float  $soft  over so much it fades, 0 and above
     */
    public function __construct(public float $from, public float $to, public float $soft)
    {
    }

    /** @return float 0..1 */
    public function at(float $value): float
    {
        return $this->fadedOver(max($this->from - $value, $value - $this->to));
    }

    /** The same of degrees, which go round: 350 to 10 is a range of 20. */
    public function atDegrees(float $value): float
    {
        $span = fmod($this->to - $this->from + 720, 360);
        $after = fmod($value - $this->from + 720, 360);

        return $after <= $span ? 1.0 : $this->fadedOver(min($after - $span, 360 - $after));
    }

    private function fadedOver(float $outside): float
    {
        if ($outside <= 0) {
            return 1.0;
        }

        return $outside < $this->soft ? 1 - $outside / $this->soft : 0.0;
    }
}
