<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Codec\ImageReader;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * An empty page to draw on.
 *
 * @phpstan-type StartPageInput array{width: int, height: int, dpi: float}
 */
final readonly class StartPage implements ClientOp
{
    public function __construct(private int $width, private int $height, private float $dpi)
    {
        if ($width * $height > ImageReader::MOST_PIXELS) {
            throw new \RangeException(
                sprintf('A page has at most %d million pixels. Make it smaller.', ImageReader::MOST_PIXELS / 1_000_000),
            );
        }
    }

    public static function kind(): string
    {
        return 'page.start';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->int('width', 16, ImageReader::LONGEST_SIDE),
            $input->int('height', 16, ImageReader::LONGEST_SIDE),
            $input->number('dpi', 0, 5000, 0),
        );
    }

    /** @return StartPageInput */
    public function toInput(): array
    {
        return ['width' => $this->width, 'height' => $this->height, 'dpi' => $this->dpi];
    }

    public function title(): string
    {
        return 'Begin an empty page';
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        if (! $sheet->isEmpty()) {
            throw new OpRefused('The page has been begun already.');
        }
        $sheet->put(PageSize::KEY, new PageSize($this->width, $this->height, $this->dpi));
        $sheet->setLayer(LayerName::flats(), str_repeat("\0\1", $this->width * $this->height));
        $sheet->put(1, new Region(0, 0, $this->width * $this->height, 0, 0));
    }
}
