<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Page;
use App\Models\PaletteVersion;
use App\Models\Series;
use App\Values\Scalar;

/** Whether a page follows the palette or stays with a version of it, and which materials follow all the same. */
final readonly class ChoosePageVersion implements ClientSeriesOp
{
    use RowChange;

    /** @param  list<int>  $follows  ids of materials; none without a version */
    public function __construct(private Page $page, private ?PaletteVersion $version, private array $follows)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'of' => 'required|integer',
            'version' => 'present|nullable|integer',
            'follows' => 'sometimes|list|max:5000',
            'follows.*' => 'integer|min:1',
        ]);
        $version = $input->filled('version') ? $asked->paletteVersion($input->integer('version')) : null;
        $follows = Scalar::ints($input->array('follows'));

        return new self($asked->page($input->integer('of')), $version, $version === null ? [] : $follows);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Versions;
    }

    public static function kind(): string
    {
        return 'page.version';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return $this->version === null
            ? "Let page {$this->page->number} follow the palette"
            : "Keep page {$this->page->number} at {$this->version->name}";
    }

    public function toInput(): array
    {
        return ['of' => $this->page->id, 'version' => $this->version?->id, 'follows' => $this->follows];
    }

    public function apply(Series $series): array
    {
        return self::changed('page', $this->page, [
            'version_id' => $this->version?->id,
            'follows' => $this->follows ?: null,
        ]);
    }
}
