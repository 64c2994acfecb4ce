<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Material;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Values\Scalar;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;

/**
 * What happened to a palette: who did what when, with the ramps before and after.
 *
 * @phpstan-type RampsState array{name: string, before: ?array<value-of<Tone>, string>,
 *     after: ?array<value-of<Tone>, string>}
 * @phpstan-type HistoryEntryState array{version: int, title: string, who: ?string, when: string,
 *     ramps: list<RampsState>}
 */
final readonly class PaletteHistory
{
    private const MOST = 100;

    /** Of an entry no more ramps than this are shown. */
    private const RAMPS = 6;

    public function __construct(private Series $series)
    {
    }

    /** @return list<HistoryEntryState> the newest first */
    public function toClient(): array
    {
        $entries = SeriesEntry::query()
            ->with('user')
            ->where('series_id', $this->series->id)
            ->latest('version')
            ->limit(self::MOST)
            ->get();

        return array_values(
            $entries
                ->map(
                    fn (SeriesEntry $entry): array => [
                        'version' => $entry->version,
                        'title' => $entry->title,
                        'who' => $entry->user?->name,
                        'when' => $entry->made_at->toIso8601String(),
                        'ramps' => $this->ramps($entry),
                    ],
                )
                ->all(),
        );
    }

    /** @return list<RampsState> */
    private function ramps(SeriesEntry $entry): array
    {
        $ramps = [];
        $rule = $this->series->rule();
        foreach ($entry->records as [$kind, , $before, $after]) {
            if ($kind === 'material' && count($ramps) < self::RAMPS) {
                $ramps[] = [
                    'name' => Scalar::string(($after['name'] ?? ($before['name'] ?? ''))),
                    'before' => self::tones($before, $rule),
                    'after' => self::tones($after, $rule),
                ];
            }
        }

        return $ramps;
    }

    /**
     * @param  ?array<string, mixed>  $record
     * @return ?array<value-of<Tone>, string>
     */
    private static function tones(?array $record, ToneRule $rule): ?array
    {
        if ($record === null || ($record['retired'] ?? false) === true) {
            return null;
        }
        $material = new Material([
            'pinned' => $record['pinned'],
            'dials' => $record['dials'] ?? null,
            'more' => $record['more'] ?? null,
        ]);

        return array_map(fn (Rgb $tone): string => $tone->hex(), $material->tones($rule));
    }
}
