<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Warp;
use Awning\Core\Select\SmoothShape;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;

/**
 * What of a pass lies in some place, taken up to be put elsewhere: in the same pass or another one, on the same page or
 * another one.
 */
final readonly class LiftedPaint
{
    /**
     * @param  Rect  $where  px of the page it comes from
     * @param  non-empty-list<string>  $planes  one byte a pixel: coverage, or red, green, blue and alpha
     */
    private function __construct(public Rect $where, private array $planes)
    {
    }

    /**
     * @param  non-empty-list<LayerWindow>  $windows  of the pass's layer
     * @param  ?Coverage  $shape  what is taken; null: all of it
     * @return ?self null when nothing is painted there
     */
    public static function of(array $windows, ?Coverage $shape, Rect $where): ?self
    {
        $planes = array_map(fn (LayerWindow $window): string => $window->read($where), $windows);
        $last = count($planes) - 1;
        if ($shape !== null) {
            $planes[$last] = Bytes::product(
                $shape->cut($where) ?? str_repeat("\0", strlen($planes[$last])),
                $planes[$last],
            );
        }

        return Bytes::isNothing($planes[$last]) ? null : new self($where, array_values($planes));
    }

    /**
     * What an outline holds of a pass.
     *
     * @param  non-empty-list<array{float, float}>  $outline  px of the page
     *
     * @throws OpRefused when the pass is gone, or nothing of it lies there
     */
    public static function from(Sheet $sheet, string $pass, array $outline): self
    {
        $there =
            $sheet->find(PassSpec::class, $pass) ??
            throw new OpRefused('The pass this was taken from is gone. Take something else along.');
        $shape = new SmoothShape($outline, $sheet->rect());

        return ($shape->bounds()->isEmpty()
            ? null
            : self::of(LayerWindow::planes($sheet, $there->layer($pass)), $shape, $shape->bounds())) ??
            throw new OpRefused(
                'There is no paint of that pass inside the outline any more. Take something else along.',
            );
    }

    /** Whether it has colours of its own. */
    public function isPaint(): bool
    {
        return count($this->planes) > 1;
    }

    /** Where it comes to lie, and a pixel around. */
    public function reaches(Projection $there): Rect
    {
        $where = $this->where;
        $corners = array_map(fn (array $at): array => $there->at(...$at), [
            [$where->x, $where->y],
            [$where->right(), $where->y],
            [$where->x, $where->bottom()],
            [$where->right(), $where->bottom()],
        ]);
        $xs = array_column($corners, 0);
        $ys = array_column($corners, 1);

        return Rect::bounds(
            (int) floor(min($xs)) - 1,
            (int) floor(min($ys)) - 1,
            (int) ceil(max($xs)) + 1,
            (int) ceil(max($ys)) + 1,
        );
    }

    /**
     * Lays it over what is there.
     *
     * @param  non-empty-list<LayerWindow>  $windows  as many as it has planes
     * @param  Rect  $page  what lies beyond is left out
     */
    public function put(array $windows, Projection $there, Rect $page): void
    {
        $where = $this->where;
        $to = $this->reaches($there)->intersect($page);
        $there = Projection::move($where->x, $where->y)->then($there)->then(Projection::move(-$to->x, -$to->y));
        $warped = fn (string $plane): string => Warp::plane(
            new Plane($where->width, $where->height, $plane),
            $there,
            $to->width,
            $to->height,
        )->data;
        $weights = $this->planes[count($this->planes) - 1];
        // Colours are warped with their weight, so that nothing is mixed in from where there is no paint.
        $colours = array_map(
            fn (string $plane): string => $warped(Bytes::product($weights, $plane)),
            array_slice($this->planes, 0, -1),
        );
        self::over($windows, $colours, $warped($weights), $to);
    }

    /**
     * @param  non-empty-list<LayerWindow>  $windows
     * @param  list<string>  $colours  already weighed
     */
    private static function over(array $windows, array $colours, string $alpha, Rect $to): void
    {
        $last = count($windows) - 1;
        $planes = array_map(fn (LayerWindow $window): string => $window->read($to), $windows);
        for (
            $at = strspn($alpha, "\0"), $count = strlen($alpha);
            $at < $count;
            $at += 1 + strspn($alpha, "\0", $at + 1)
        ) {
            $over = ord($alpha[$at]) / 255;
            $under = (ord($planes[$last][$at]) / 255) * (1 - $over);
            $sum = $over + $under;
            foreach ($colours as $i => $colour) {
                $planes[$i][$at] = chr(
                    (int) min(255.0, (ord($colour[$at]) + ord($planes[$i][$at]) * $under) / $sum + 0.5),
                );
            }
            $planes[$last][$at] = chr((int) (255 * $sum + 0.5));
        }
        /** @var list<string> $planes */
        foreach ($planes as $i => $plane) {
            $windows[$i]->write($to, $plane);
        }
    }
}
