<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Flats\TrapGrowth;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Runs;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Regions\Relabelling;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Gives stray pixels of a region, which lie apart from the rest of it, to what surrounds them.
 *
 * @phpstan-import-type PlaceData from FillInside
 *
 * @phpstan-type StraysInput array{places: list<PlaceData>}
 */
final readonly class AbsorbStrays implements ClientOp
{
    private const MOST = 500;

    /** How far round a place its piece is looked for, px. */
    private const AROUND = 420;

    /** @param  non-empty-list<array{int, int}>  $places  a pixel of each */
    private function __construct(private array $places)
    {
    }

    public static function kind(): string
    {
        return 'flats.strays';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $places = array_map(function (mixed $pair): array {
            [$x, $y] = Data::place($pair, 0, PageSize::MOST, 'Strays are a list of places.');

            return [(int) $x, (int) $y];
        }, $input->list('places', self::MOST));

        return $places === [] ? throw new OpRefused('There are no stray pixels to join.') : new self($places);
    }

    /** @return StraysInput */
    public function toInput(): array
    {
        return [
            'places' => array_map(fn (array $place): array => [(float) $place[0], (float) $place[1]], $this->places),
        ];
    }

    public function title(): string
    {
        return 'Join stray pixels to their neighbours';
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
        $flats = new Relabelling($sheet);
        foreach ($this->places as [$x, $y]) {
            $label = $sheet->labelAt($x, $y);
            $region = $sheet->find(Region::class, $label);
            if ($region !== null && ! $region->locked) {
                $window = Rect::bounds(
                    $x - self::AROUND,
                    $y - self::AROUND,
                    $x + self::AROUND,
                    $y + self::AROUND,
                )->intersect($sheet->rect());
                $before = $flats->read($window);
                $flats->write($window, $before, self::without($before, $window, $label, $x, $y));
            }
        }
        if ($flats->moved() === 0) {
            throw new OpRefused('These pixels are gone already, or locked.');
        }
        $flats->settle();
    }

    /** The labels with the piece at a place given to its neighbours; as they were when it goes on beyond the window. */
    private static function without(string $labels, Rect $window, int $label, int $x, int $y): string
    {
        $ours = '';
        foreach (Labels::spans($labels) as [$from, $to, $one]) {
            $ours .= str_repeat($one === $label ? "\xff" : "\0", $to - $from);
        }
        $runs = Runs::of($ours, $window->width, $window->height, "\xff");
        $components = Components::of($runs, true);
        $at = ($y - $window->y) * $window->width + $x - $window->x;
        $piece = null;
        foreach ($components->of as $run => $component) {
            if ($runs->from[$run] <= $at && $at < $runs->to[$run]) {
                $piece = $component;
            }
        }
        $open = str_repeat("\0", $window->width * $window->height);
        foreach ($components->of as $run => $component) {
            if ($component === $piece) {
                $open = substr_replace(
                    $open,
                    str_repeat("\xff", $runs->to[$run] - $runs->from[$run]),
                    $runs->from[$run],
                    $runs->to[$run] - $runs->from[$run],
                );
            }
        }
        (new TrapGrowth)->grow($labels, $open, $window->width, $window->height);

        return $labels;
    }
}
