<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Warp;

/** A cleaned drawing where it lies on the page. */
final readonly class PlacedDrawing
{
    /** Fainter than this is paper, and need not be looked at when a drawing is turned. */
    private const FAINT = 6;

    /**
     * @param  Plane  $darkness  before levels, as large as the page
     * @param  Plane  $lines  coverage, as large as the page
     */
    private function __construct(
        public Drawing $drawing,
        public PageSize $size,
        public Plane $darkness,
        public Plane $lines,
    ) {
    }

    /**
     * @param  ?PageSize  $page  null: a page as large as the drawing is begun
     * @param  ?Drawing  $before  what the page knows of it so far: its role and where it lies stay
     * @param  int  $order  of a drawing that is new to the page
     */
    public static function of(
        CleanScan $scan,
        CleanSettings $settings,
        DrawingSource $source,
        ?PageSize $page = null,
        ?Placement $place = null,
        ?Drawing $before = null,
        int $order = 0,
    ): self {
        [$width, $height] = [$scan->ink->width, $scan->ink->height];
        $page ??= new PageSize($width, $height, $source->dpi);
        $place ??= $before->place ?? Placement::middleOf($page);
        $drawing = new Drawing(
            original: $source->original,
            name: mb_substr($source->name, 0, Drawing::NAME),
            width: $width,
            height: $height,
            clean: $settings,
            place: $place,
            role: $before->role ?? DrawingRole::Ink,
            tint: $before->tint ?? Drawing::TINT,
            strength: $before->strength ?? Drawing::STRENGTH,
            visible: $before->visible ?? true,
            found: self::found($scan),
            above: $before->above ?? false,
            order: $before->order ?? $order,
            picture: $source->picture,
            pictures: $source->pictures,
        );
        $isPlain = $place->isPlain($width, $height, $page);
        $there = $isPlain ? null : $place->projection($width, $height);
        $turn = $scan->turned === 0.0 ? null : Projection::turn($scan->turned, $width / 2, $height / 2);
        $darkness = match (true) {
            $turn !== null && $there !== null => $turn->then($there),
            default => $turn ?? $there,
        };

        $part = $place->part($width, $height);
        $lay = fn (Plane $plane, Projection $there): Plane => $part === null
            ? Warp::plane($plane, $there, $page->width, $page->height)
            : $part->keep(Warp::plane($plane, $there, $page->width, $page->height));

        return new self(
            $drawing,
            $page,
            $darkness === null ? $scan->darkness : $lay($scan->darkness->mapped(self::withoutPaper()), $darkness),
            $there === null ? $scan->ink : $lay($scan->ink, $there),
        );
    }

    private static function withoutPaper(): string
    {
        return Bytes::table(fn (int $value): int => $value < self::FAINT ? 0 : $value);
    }

    /**
     * @return array{paper: int, ink: int, askew: ?float, turned: float, specks: int, share: float,
     *     dropped: list<string>, sheet: ?list<array{float, float}>}
     */
    private static function found(CleanScan $scan): array
    {
        return [
            'paper' => $scan->levels->paper,
            'ink' => $scan->levels->ink,
            'askew' => $scan->askew,
            'turned' => $scan->turned,
            'specks' => $scan->specks,
            'share' => round($scan->share(), 6),
            'dropped' => $scan->colours->dropped,
            'sheet' => $scan->edge?->corners,
        ];
    }
}
