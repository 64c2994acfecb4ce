<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Brush\StrokeMask;
use Awning\Core\Codec\Resized;
use Awning\Core\Light\ManualEdits;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Setup\SetupMarks;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;

/** Regions taken as one thing: what is painted in them goes into a setup, and what a setup holds is painted in them. */
final readonly class MarkedRegions
{
    private Rect $box;

    /**
     * @param  non-empty-list<int>  $labels
     *
     * @throws OpRefused when none of them is on the page
     */
    public function __construct(private Sheet $sheet, private array $labels)
    {
        $this->box =
            $sheet->labels()->boxOf($labels) ??
            throw new OpRefused('The picked regions are gone. Pick some that are there.');
    }

    /** @return ?SetupMarks what of a pass lies in them; null: nothing, or a pass with colours of its own */
    public function read(string $id, PassSpec $pass): ?SetupMarks
    {
        if ($pass->isPaint()) {
            return null;
        }

        return $this->reduced((new LayerWindow($this->sheet, $pass->layer($id)))->read($this->box) & $this->inside());
    }

    /** Paints what a setup holds in a pass that is there, scaled into their box, and nowhere beside them. */
    public function paint(string $pass, SetupMarks $marks): void
    {
        (new Laying($pass, inside: $this->labels))->lay(
            $this->sheet,
            new StrokeMask($this->box, $this->enlarged($marks)),
        );
    }

    /**
     * Paints what a setup holds now where something else of it was painted; what a hand did to that stays. Where that
     * is what the setup was made of, nothing changes: marks are small, and what is painted has its own edges.
     *
     * @param  ?SetupMarks  $before  what was painted; null: nothing
     * @param  ?SetupMarks  $now
     */
    public function repaint(string $id, PassSpec $pass, ?SetupMarks $before, ?SetupMarks $now): void
    {
        $window = new LayerWindow($this->sheet, $pass->layer($id));
        [$there, $inside] = [$window->read($this->box), $this->inside()];
        if ($this->reduced($there & $inside, $now?->side) == $now) {
            return;
        }
        $nothing = str_repeat("\0", strlen($there));
        $coverage = fn (?SetupMarks $marks): string => $marks === null ? $nothing : $this->enlarged($marks) & $inside;
        $hand = (new ManualEdits($nothing, $nothing))->goneOn($coverage($before), $there & $inside);
        $window->write($this->box, ($hand->on($coverage($now)) & $inside) | ($there & ~$inside));
    }

    /** @return string 255 where the regions lie in their box */
    private function inside(): string
    {
        return (new RegionCoverage($this->sheet, $this->labels))->cut($this->box) ??
            str_repeat("\0", $this->box->width * $this->box->height);
    }

    /**
     * @param  ?int  $side  px; null: as many as are worth it
     * @return ?SetupMarks null: nothing is covered
     */
    private function reduced(string $coverage, ?int $side = null): ?SetupMarks
    {
        $side ??= SetupMarks::sideFor($this->box);

        return Bytes::isNothing($coverage)
            ? null
            : new SetupMarks(Resized::plane($coverage, $this->box->width, $this->box->height, $side, $side));
    }

    private function enlarged(SetupMarks $marks): string
    {
        return Resized::plane($marks->coverage, $marks->side, $marks->side, $this->box->width, $this->box->height);
    }
}
