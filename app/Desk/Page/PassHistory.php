<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\JournalEntry;
use App\Models\Page;
use App\Store\PageStore;
use App\Store\TileMissing;
use App\Store\Tiles;
use App\Values\Scalar;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Ink\EnlargePage;
use Awning\Core\Sheet\Ops\Passes\RestorePass;
use Awning\Core\Sheet\Sheet;
use Illuminate\Database\Eloquent\Builder;

/**
 * What was painted in a pass, by whom and when, out of the page's journal; and the way back to any of it. What was done
 * and undone again is no part of it, nor is what was painted when the page had another size.
 *
 * @phpstan-type PaintedState array{entry: int, title: string, who: ?string, when: string}
 */
final readonly class PassHistory
{
    private const MOST = 60;

    private string $layer;

    /** The entry that gave the page its size; 0: it has had it from the beginning. */
    private int $resized;

    /** @throws OpRefused when the pass is gone */
    public function __construct(private Page $page, private string $pass)
    {
        $spec =
            (new Sheet(new PageStore($page)))->find(PassSpec::class, $pass) ??
            throw new OpRefused('The pass is gone. Reload the page.');
        $this->layer = $spec->layer($pass)->value;
        $this->resized = Scalar::int($this->done()->where('kind', EnlargePage::kind())->max('id'));
    }

    /** @return list<PaintedState> the newest first */
    public function toClient(): array
    {
        $entries = $this->painted()->with('user')->latest('id')->limit(self::MOST)->get();

        return array_values(
            $entries
                ->map(
                    fn (JournalEntry $entry): array => [
                        'entry' => $entry->id,
                        'title' => $entry->title,
                        'who' => $entry->user?->name,
                        'when' => $entry->made_at->toIso8601String(),
                    ],
                )
                ->all(),
        );
    }

    /**
     * What brings it back to how it was right after one of them.
     *
     * @throws OpRefused when that is none of them, or is no longer kept
     */
    public function backTo(int $entry): RestorePass
    {
        if (! $this->painted()->whereKey($entry)->exists()) {
            throw new OpRefused('That is no longer part of what was painted here. Look at the list anew.');
        }
        $then = [];
        /** @var JournalEntry $later */
        foreach ($this->painted()->where('id', '>', $entry)->oldest('id')->lazy(100) as $later) {
            foreach ($later->tiles as [$layer, $column, $row, $before]) {
                if ($layer === $this->layer) {
                    $then["$column,$row"] ??= [$column, $row, $before];
                }
            }
        }
        $packed = (new Tiles)->manyPacked(array_values(array_filter(array_column($then, 2), is_string(...))));
        try {
            return new RestorePass(
                $this->pass,
                array_values(
                    array_map(
                        fn (array $tile): array => [
                            $tile[0],
                            $tile[1],
                            $tile[2] === null ? null : Tiles::inflate($tile[2], $packed[$tile[2]] ?? null),
                        ],
                        $then,
                    ),
                ),
            );
        } catch (TileMissing $missing) {
            throw new OpRefused('What was painted then is no longer kept.', 0, $missing);
        }
    }

    /** @return Builder<JournalEntry> */
    private function painted(): Builder
    {
        return $this->done()->where('id', '>', $this->resized)->whereRelation('layers', 'layer', $this->layer);
    }

    /** @return Builder<JournalEntry> */
    private function done(): Builder
    {
        return JournalEntry::query()->where('page_id', $this->page->id)->where('state', 'done');
    }
}
