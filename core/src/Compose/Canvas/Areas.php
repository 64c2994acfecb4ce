<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

/** Stretches of pixels that are worked on by themselves: cut out of planes, and put back. */
final readonly class Areas
{
    /** Nearer stretches are taken as one: a cut costs more than a few pixels. */
    private const APART = 8;

    /**
     * @param  list<array{int, int}>  $spans  first pixel, pixel after the last; in order, apart
     * @param  int  $count  pixels in all
     */
    private function __construct(private array $spans, public int $count)
    {
    }

    /** Where a plane is not zero. */
    public static function where(string $mask): self
    {
        $spans = [];
        $count = $from = $to = 0;
        for ($at = 0, $end = strlen($mask); ($at += strspn($mask, "\0", $at)) < $end; $at = $to) {
            if ($at - $to >= self::APART && $to > $from) {
                $spans[] = [$from, $to];
                $count += $to - $from;
                $from = $at;
            } elseif ($to === $from) {
                $from = $at;
            }
            $to = $at + strcspn($mask, "\0", $at);
        }
        if ($to > $from) {
            $spans[] = [$from, $to];
            $count += $to - $from;
        }

        return new self($spans, $count);
    }

    /**
     * What lies between these stretches.
     *
     * @param  int  $total  pixels of the whole
     */
    public function others(int $total): self
    {
        $spans = [];
        $at = 0;
        foreach ([...$this->spans, [$total, $total]] as [$from, $to]) {
            if ($from > $at) {
                $spans[] = [$at, $from];
            }
            $at = $to;
        }

        return new self($spans, $total - $this->count);
    }

    /** @return list<int> each of its pixels */
    public function places(): array
    {
        return array_merge(...array_map(fn (array $span): array => range($span[0], $span[1] - 1), $this->spans));
    }

    /**
     * @param  array<int, float>  $values
     * @return array<int, float>
     */
    public function pick(array $values): array
    {
        return array_merge(
            ...array_map(fn (array $span): array => array_slice($values, $span[0], $span[1] - $span[0]), $this->spans),
        );
    }

    /** @param  int  $size  bytes a pixel */
    public function cut(string $plane, int $size = 1): string
    {
        $out = '';
        foreach ($this->spans as [$from, $to]) {
            $out .= substr($plane, $from * $size, ($to - $from) * $size);
        }

        return $out;
    }

    /** A plane with a part that was cut out of it put back. */
    public function put(string $plane, string $part): string
    {
        $out = '';
        $done = $used = 0;
        foreach ($this->spans as [$from, $to]) {
            $out .= substr($plane, $done, $from - $done).substr($part, $used, $to - $from);
            $used += $to - $from;
            $done = $to;
        }

        return $out.substr($plane, $done);
    }
}
