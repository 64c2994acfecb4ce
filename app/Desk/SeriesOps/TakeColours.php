<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Series;
use Awning\Core\Colour\MainColours;
use Awning\Core\Colour\PickedRamp;
use Awning\Core\Colour\Rgb;

/** Colours that were picked out of pictures become one material's ramp, or as many materials of a figure. */
final readonly class TakeColours implements ClientSeriesOp
{
    use FigureChange;
    use MaterialChange;

    private const LONGEST = 80;

    /**
     * @param  string  $name  of the material; of several, each with its number behind
     * @param  non-empty-list<Rgb>  $colours
     * @param  bool  $ramp  whether they are one ramp, dark to light; then PickedRamp::MOST at the most
     */
    public function __construct(
        private Figure $figure,
        private string $name,
        private array $colours,
        private bool $ramp,
    ) {
    }

    public static function fromInput(OpInput $asked): self
    {
        $most = ($asked->data['ramp'] ?? false) === true ? PickedRamp::MOST : MainColours::MOST;
        $input = $asked->checked([
            'figure' => 'required|integer',
            'name' => ['required', new Name(self::LONGEST)],
            'ramp' => 'required|boolean',
            'colours' => "required|list|min:1|max:$most",
            'colours.*' => ['required', OpInput::COLOUR],
        ]);
        /** @var non-empty-list<string> $colours */
        $colours = $input->array('colours');

        return new self(
            $asked->figure($input->integer('figure')),
            $input->string('name')->toString(),
            array_map(Rgb::fromHex(...), $colours),
            $input->boolean('ramp'),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'colours.take';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return $this->ramp
            ? "Take $this->name out of a picture"
            : sprintf('Take %d materials of %s out of a picture', count($this->colours), $this->figure->name);
    }

    public function toInput(): array
    {
        return [
            'figure' => $this->figure->id,
            'name' => $this->name,
            'colours' => array_map(fn (Rgb $colour): string => $colour->hex(), $this->colours),
            'ramp' => $this->ramp,
        ];
    }

    public function apply(Series $series): array
    {
        $figure = self::ownOf($this->figure)->id;
        if ($this->ramp) {
            return [
                self::added(
                    $figure,
                    $this->name,
                    array_map(fn (Rgb $colour): string => $colour->hex(), PickedRamp::of($this->colours)),
                ),
            ];
        }
        $records = [];
        foreach ($this->colours as $i => $colour) {
            $records[] = self::added($figure, mb_substr($this->name, 0, self::LONGEST - 3).' '.($i + 1), [
                'base' => $colour->hex(),
            ]);
        }

        return $records;
    }
}
