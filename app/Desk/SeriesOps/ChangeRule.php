<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use Awning\Core\Colour\Derivation;

/**
 * The light of a series, and the rule by which tones nobody has pinned follow from it.
 *
 * @phpstan-import-type DerivationPart from Derivation
 */
final readonly class ChangeRule implements ClientSeriesOp
{
    /** @param  string  $light  #rrggbb */
    public function __construct(private string $light, private Derivation $dials)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(
            ['light' => ['required', OpInput::COLOUR], 'dials' => 'required|array'] + OpInput::dials(),
        );
        /** @var DerivationPart $dials */
        $dials = $input->array('dials');

        return new self($input->string('light')->toString(), (new Derivation)->with($dials));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'rule.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return 'Change the rule for derived tones';
    }

    public function toInput(): array
    {
        return ['light' => $this->light, 'dials' => $this->dials->toData()];
    }

    public function apply(Series $series): array
    {
        $before = $series->toRecord();
        $series->light = $this->light;
        $series->dials = $this->dials->toData();
        $series->save();

        return [['series', $series->id, $before, $series->toRecord()]];
    }
}
