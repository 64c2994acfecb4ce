<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Blend\StrokeLaying;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;

/**
 * Where paint goes and how strongly: what every op that lays coverage in a pass has in common. A pass that is not there
 * yet is hung: picking a tone is enough to paint in it.
 *
 * @phpstan-import-type PassData from PassSpec
 *
 * @phpstan-type LayingInput array{pass: string, make: ?PassData, erase: bool, colour: ?string, opacity: float,
 *     inside: list<int>}
 */
final readonly class Laying
{
    /** Picked regions that paint may be kept inside of. */
    private const MOST_INSIDE = 5000;

    /**
     * @param  ?PassSpec  $make  the pass to add when it is not there yet
     * @param  ?Rgb  $colour  the paint's colour; only a paint pass takes one
     * @param  float  $opacity  the most that is laid, 0..1
     * @param  list<int>  $inside  regions it stays inside of, beside the clip of the pass; none: wherever that lets it
     */
    public function __construct(
        public string $pass,
        public ?PassSpec $make = null,
        public bool $erase = false,
        public ?Rgb $colour = null,
        public float $opacity = 1.0,
        public array $inside = [],
    ) {
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->id('pass'),
            $input->has('make') ? PassSpec::fromData($input->map('make')) : null,
            $input->flag('erase', false),
            $input->has('colour') ? Rgb::fromHex($input->text('colour')) : null,
            $input->number('opacity', 0, 1, 1.0),
            self::labels($input, 'inside'),
        );
    }

    /** @return list<int> */
    public static function labels(Data $input, string $name): array
    {
        return $input->labels($name, self::MOST_INSIDE);
    }

    /** @return LayingInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass,
            'make' => $this->make?->toData(),
            'erase' => $this->erase,
            'colour' => $this->colour?->hex(),
            'opacity' => $this->opacity,
            'inside' => $this->inside,
        ];
    }

    public function refersTo(): References
    {
        return $this->make === null ? new References : References::ofPass($this->make->figure, $this->make->scope);
    }

    /** @throws OpRefused when there is nothing to paint in or with, or nothing of it lies on the page */
    public function lay(Sheet $sheet, Coverage $coverage): void
    {
        $there = $sheet->find(PassSpec::class, $this->pass);
        $pass =
            $there ??
            ($this->make ?? throw new OpRefused('The pass is gone. Pick a tone or another pass and paint again.'));
        if ($pass->isPaint() && ! $this->erase && $this->colour === null) {
            throw new OpRefused('Pick a colour to paint with.');
        }
        if ($coverage->bounds()->intersect($sheet->rect())->isEmpty()) {
            throw new OpRefused('It lies off the page.');
        }
        if ($there === null) {
            (new AddPass($this->pass, $pass))->apply($sheet);
        }
        $this->into(
            $sheet,
            $pass->layer($this->pass),
            $pass->isPaint(),
            $this->inside === [] ? $coverage : new RegionCoverage($sheet, $this->inside, $coverage),
        );
    }

    private function into(Sheet $sheet, LayerName $layer, bool $isPaint, Coverage $coverage): void
    {
        $laying = new StrokeLaying;
        foreach ($sheet->grid()->touching($coverage->bounds()) as [$column, $row]) {
            $covered = $coverage->cut(TileGrid::rect($column, $row));
            if ($covered === null) {
                continue;
            }
            $tile = $sheet->bytes($layer, $column, $row);
            $sheet->setTile(
                $layer,
                $column,
                $row,
                match (true) {
                    $isPaint => $this->onPaint($laying, $tile, $covered),
                    $this->erase => $laying->remove($tile, $covered, $this->opacity),
                    default => $laying->add($tile, $covered, $this->opacity),
                },
            );
        }
    }

    private function onPaint(StrokeLaying $laying, string $tile, string $covered): string
    {
        [$red, $green, $blue, $alpha] = str_split($tile, TileGrid::PIXELS);
        if ($this->erase) {
            return $red.$green.$blue.$laying->remove($alpha, $covered, $this->opacity);
        }
        $pixels = $laying->paint(
            new Pixels(TileGrid::PIXELS, $red, $green, $blue, $alpha),
            $covered,
            $this->colour ?? new Rgb(0, 0, 0),
            $this->opacity,
        );

        return $pixels->red.$pixels->green.$pixels->blue.$pixels->alphas();
    }
}
