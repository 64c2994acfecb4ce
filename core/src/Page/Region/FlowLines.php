<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

/**
 * Which way strands of hair or the folds of cloth run in a region: lines that were drawn over it, of which each tells
 * it of what is near.
 *
 * @phpstan-import-type FlowPoint from FlowLine
 *
 * @phpstan-type FlowData list<list<FlowPoint>>
 */
final readonly class FlowLines
{
    public const MOST = 8;

    /** @param  non-empty-list<FlowLine>  $lines */
    private function __construct(public array $lines)
    {
    }

    public static function of(FlowLine $line): self
    {
        return new self([$line]);
    }

    /** @throws \InvalidArgumentException when there are as many as there may be */
    public function with(FlowLine $line): self
    {
        return count($this->lines) < self::MOST
            ? new self([...$this->lines, $line])
            : throw new \InvalidArgumentException(
                'A region has up to '.self::MOST.' directions. Remove them, and draw those that count.',
            );
    }

    /**
     * @param  list<mixed>  $lines  each a list of places; the places of one line alone, as they were kept at first
     *
     * @throws \InvalidArgumentException
     */
    public static function fromList(array $lines): self
    {
        $isOne = is_array($lines[0] ?? null) && ! is_array($lines[0][0] ?? null);
        $read = array_map(
            fn (mixed $line): FlowLine => FlowLine::fromList(is_array($line) ? array_values($line) : []),
            $isOne ? [$lines] : $lines,
        );
        if ($read === [] || count($read) > self::MOST) {
            throw new \InvalidArgumentException('A region has 1 to '.self::MOST.' directions.');
        }

        return new self($read);
    }

    /** @return FlowData */
    public function toList(): array
    {
        return array_map(fn (FlowLine $line): array => $line->toList(), $this->lines);
    }
}
