<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Projection;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\FillInside;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Painting\LiftedPaint;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Puts paint that was taken along from a pass into another one: of the same figure or another, on the same page or
 * another of the series. Whoever reads the op brings the paint (carrying()); what was taken stays where it was.
 *
 * @phpstan-import-type PlaceData from FillInside
 * @phpstan-import-type PassData from PassSpec
 *
 * @phpstan-type PlacePaintInput array{pass: string, make: ?PassData, page: int, from: string, outline: list<PlaceData>,
 *     by: PlaceData}
 */
final readonly class PlacePaint implements ClientOp
{
    /**
     * @param  ?PassSpec  $make  the pass to add when it is not there yet
     * @param  int  $page  from which it was taken
     * @param  string  $from  the pass it was taken from
     * @param  non-empty-list<PlaceData>  $outline  px of that page
     * @param  PlaceData  $by  px to the right and down from where it lay
     */
    public function __construct(
        private string $pass,
        private ?PassSpec $make,
        public int $page,
        public string $from,
        public array $outline,
        private array $by,
        private ?LiftedPaint $paint = null,
    ) {
    }

    public static function kind(): string
    {
        return 'paint.place';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->id('pass'),
            $input->has('make') ? PassSpec::fromData($input->map('make')) : null,
            $input->int('page', 1, PHP_INT_MAX),
            $input->id('from'),
            FillInside::outline($input),
            Data::place($input->list('by', 2), -2 * PageSize::MOST, 2 * PageSize::MOST, 'Say where to put it.'),
        );
    }

    public function carrying(LiftedPaint $paint): self
    {
        return new self(
            pass: $this->pass,
            make: $this->make,
            page: $this->page,
            from: $this->from,
            outline: $this->outline,
            by: $this->by,
            paint: $paint,
        );
    }

    /** @return PlacePaintInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass,
            'make' => $this->make?->toData(),
            'page' => $this->page,
            'from' => $this->from,
            'outline' => $this->outline,
            'by' => $this->by,
        ];
    }

    public function title(): string
    {
        return 'Put paint that was taken along';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->make === null ? new References : References::ofPass($this->make->figure, $this->make->scope);
    }

    public function apply(Sheet $sheet): void
    {
        $paint =
            $this->paint ?? throw new OpRefused('Nothing was taken along. Draw round paint, and take it along first.');
        $there = $sheet->find(PassSpec::class, $this->pass);
        $pass =
            $there ??
            ($this->make ?? throw new OpRefused('The pass is gone. Pick a tone or another pass, and put it there.'));
        if ($pass->isPaint() !== $paint->isPaint()) {
            throw new OpRefused('Free paint goes into free paint, and a tone or tint into a tone or tint.');
        }
        $by = Projection::move($this->by[0], $this->by[1]);
        if ($paint->reaches($by)->intersect($sheet->rect())->isEmpty()) {
            throw new OpRefused('It would lie off the page.');
        }
        if ($there === null) {
            (new AddPass($this->pass, $pass))->apply($sheet);
        }
        $paint->put(LayerWindow::planes($sheet, $pass->layer($this->pass)), $by, $sheet->rect());
    }
}
