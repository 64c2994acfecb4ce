<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\Puller;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Painting\PassReach;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Pulls paint of a pass along with the brush. The brush's opacity is how strongly. With a mirror, then once more on its
 * other side.
 *
 * @phpstan-import-type BrushData from Stroke
 * @phpstan-import-type PointData from Stroke
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type DragPaintInput array{pass: string, brush: BrushData, points: list<PointData>, inside: list<int>,
 *     mirror: ?AxisData}
 */
final readonly class DragPaint implements ClientOp
{
    /** Pixels of the tip times its places: a second's work. */
    private const MOST_WORK = 8_000_000;

    public const LARGEST = 400;

    /** @param  list<int>  $inside  regions it stays inside of; none: wherever the pass's clip lets it */
    public function __construct(
        private string $pass,
        private Path $path,
        private Brush $brush,
        private array $inside = [],
        private ?MirrorAxis $mirror = null,
    ) {
        if ($brush->size > self::LARGEST) {
            throw new \RangeException('Paint is dragged with a brush of '.self::LARGEST.' px at the most.');
        }
    }

    public static function kind(): string
    {
        return 'paint.drag';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->id('pass'),
            Path::fromPoints($input->list('points', Path::MOST_POINTS)),
            Stroke::brush($input->map('brush')),
            Laying::labels($input, 'inside'),
            MirrorAxis::ofInput($input),
        );
    }

    /** @return DragPaintInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass,
            'brush' => Stroke::brushData($this->brush),
            'points' => $this->path->points,
            'inside' => $this->inside,
            'mirror' => $this->mirror?->toData(),
        ];
    }

    public function title(): string
    {
        return 'Drag paint';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $pass =
            $sheet->find(PassSpec::class, $this->pass) ??
            throw new OpRefused('The pass is gone. Pick another one and drag there.');
        $ways = $this->mirror === null ? [$this->path] : [$this->path, $this->path->mirrored($this->mirror)];
        $isPulled = array_map(fn (Path $way): bool => $this->pulls($way, $sheet, $pass), $ways);
        if (! in_array(true, $isPulled, true)) {
            throw new OpRefused('There is no paint of this pass under the brush that could be dragged.');
        }
    }

    /** @return bool whether anything came along */
    private function pulls(Path $way, Sheet $sheet, PassSpec $pass): bool
    {
        $path = $way->followed($this->brush);
        $where = Path::around($path, $this->brush->size / 2 + 1)->intersect($sheet->rect());
        if ($where->isEmpty()) {
            return false;
        }
        $this->refuseTooMuch($path);
        $windows = LayerWindow::planes($sheet, $pass->layer($this->pass));
        $planes = array_map(fn (LayerWindow $window): string => $window->read($where), $windows);
        $puller = new Puller($this->brush->size, $this->brush->hardness, $this->brush->opacity);
        $here = array_map(fn (array $point): array => [$point[0] - $where->x, $point[1] - $where->y, $point[2]], $path);
        $pulled = $puller->pull(
            $planes,
            (new PassReach($sheet, $pass, $this->inside))->in($where),
            $where->width,
            $where->height,
            $here,
        );
        if ($pulled === $planes) {
            return false;
        }
        foreach ($pulled as $i => $plane) {
            $windows[$i]->write($where, $plane);
        }

        return true;
    }

    /** @param  non-empty-list<array{float, float, float}>  $path */
    private function refuseTooMuch(array $path): void
    {
        if (Puller::work($this->brush->size, Path::lengthOf($path)) > self::MOST_WORK) {
            throw new OpRefused('This drag is too long for so large a brush. Lift it once in a while.');
        }
    }
}
