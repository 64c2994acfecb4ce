<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/**
 * How large a page is, and the levels its ink was cleaned at.
 *
 * @phpstan-type SizeData array{width: int, height: int, dpi: float, paper: int, ink: int}
 */
final readonly class PageSize implements Record
{
    public const KEY = 'page';

    public const MOST = 30_000;

    /**
     * @param  int  $width  px
     * @param  int  $height  px
     * @param  float  $dpi  0 when it is not known
     * @param  int  $paper  darkness up to which the scan is paper, 0..254
     * @param  int  $ink  darkness from which it is full ink, 1..255
     */
    public function __construct(public int $width, public int $height, public float $dpi = 0.0, public int $paper = 0, public int $ink = 255)
    {
        if ($width < 1 || $height < 1 || $width > self::MOST || $height > self::MOST) {
            throw new \InvalidArgumentException('A page is 1 to '.self::MOST.' px wide and high.');
        }
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Page;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->int('width', 1, self::MOST), $data->int('height', 1, self::MOST), $data->number('dpi', 0, 100_000, 0),
            $data->int('paper', 0, 255, 0), $data->int('ink', 0, 255, 255),
        );
    }

    /** @return SizeData */
    public function toData(): array
    {
        return ['width' => $this->width, 'height' => $this->height, 'dpi' => $this->dpi, 'paper' => $this->paper, 'ink' => $this->ink];
    }

    /** The page at half (1), a quarter (2) … of its size. */
    public function reduced(int $level): self
    {
        return new self(max(1, $this->width >> $level), max(1, $this->height >> $level), $this->dpi, $this->paper, $this->ink);
    }

    public function fits(self $other): bool
    {
        return $this->width === $other->width && $this->height === $other->height;
    }
}
