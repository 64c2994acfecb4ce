<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Desk\Conflict;
use App\Desk\SeriesOps\SeriesOp;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use App\Store\NotKept;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\DB;

/** The one door through which a series' palette changes: one op, one transaction, one journal entry, one version. */
final class SeriesDesk
{
    /** Kinds of entries that put others' records back or again. */
    public const SWAPS = ['undo', 'redo'];

    /** Entries that no undo takes back: what a figure follows would only be followed again. */
    private const LASTING = [...self::SWAPS, 'figure.follow'];

    /**
     * @param  ?string  $id  the client's: asking again with the same id changes nothing more and gets the same entry
     * @return SeriesEntry  not kept where nothing was altered
     *
     * @throws Conflict|OpRefused|NotKept
     */
    public function apply(Series $series, User $user, SeriesOp $op, ?string $id = null): SeriesEntry
    {
        return $this->locked($series, $id, function (Series $row) use ($user, $op, $id): SeriesEntry {
            try {
                $records = DB::transaction(fn (): array => self::altered($op, $row));
            } catch (NothingAltered $nothing) {
                // What is to be redone stays, and nothing is there to be undone.
                return new SeriesEntry([
                    'series_id' => $row->id,
                    'version' => $row->palette_version,
                    'kind' => $op::kind(),
                    'title' => $op->title(),
                    'records' => $nothing->records,
                ]);
            }
            SeriesEntry::query()
                ->where('series_id', $row->id)
                ->where('state', 'undone')
                ->update(['state' => 'dropped']);

            return $this->written($row, $user, $op::kind(), $op::form(), $op->toInput(), $op->title(), $records, $id);
        });
    }

    /**
     * @return list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}>
     *
     * @throws NothingAltered when all records are but for their versions what they were
     * @throws OpRefused
     */
    private static function altered(SeriesOp $op, Series $row): array
    {
        $records = OpRefused::onInvalidValues(fn (): array => $op->apply($row));
        $without = fn (?array $record): ?array => $record === null ? null : array_diff_key($record, ['version' => 0]);
        foreach ($records as [, , $before, $after]) {
            if ($without($before) != $without($after)) {
                PaletteRecords::readBack($row, $records);

                return $records;
            }
        }
        throw new NothingAltered($records);
    }

    /**
     * Applies what may have nothing to do.
     *
     * @return bool whether it had
     */
    public function applyIfDue(Series $series, User $user, SeriesOp $op): bool
    {
        return DB::transaction(function () use ($series, $user, $op): bool {
            $row = Series::query()->lockForUpdate()->findOrFail($series->id);
            $records = $op->apply($row);
            if ($records !== []) {
                $this->written($row, $user, $op::kind(), $op::form(), $op->toInput(), $op->title(), $records, null);
            }

            return $records !== [];
        });
    }

    /** @throws Conflict when there is nothing to undo */
    public function undo(Series $series, User $user, ?string $id = null): SeriesEntry
    {
        return $this->swap($series, $user, $id, true);
    }

    /** @throws Conflict when there is nothing to do again */
    public function redo(Series $series, User $user, ?string $id = null): SeriesEntry
    {
        return $this->swap($series, $user, $id, false);
    }

    private function swap(Series $series, User $user, ?string $id, bool $back): SeriesEntry
    {
        return $this->locked($series, $id, function (Series $row) use ($user, $id, $back): SeriesEntry {
            $entries = SeriesEntry::query()
                ->where('series_id', $row->id)
                ->whereNotIn('kind', self::LASTING)
                ->where('state', $back ? 'done' : 'undone');
            /** @var SeriesEntry $entry */
            $entry =
                ($back ? $entries->latest('version') : $entries->oldest('version'))->first() ??
                throw new Conflict(
                    $back
                        ? 'There is nothing left to undo in the palette.'
                        : 'There is nothing to redo in the palette.',
                    ['reason' => 'palette'],
                );
            $records = PaletteRecords::put(
                $row,
                array_map(
                    fn (array $record): array => [$record[0], $record[1], $back ? $record[2] : $record[3]],
                    $entry->records,
                ),
            );
            $entry->forceFill(['state' => $back ? 'undone' : 'done'])->save();

            return $this->written(
                $row,
                $user,
                $back ? 'undo' : 'redo',
                1,
                ['entry' => $entry->id],
                ($back ? 'Undo: ' : 'Redo: ').$entry->title,
                $records,
                $id,
            );
        });
    }

    /** @param  callable(Series): SeriesEntry  $work */
    private function locked(Series $series, ?string $id, callable $work): SeriesEntry
    {
        return DB::transaction(function () use ($series, $id, $work): SeriesEntry {
            $row = Series::query()->lockForUpdate()->findOrFail($series->id);
            $done =
                $id === null ? null : SeriesEntry::query()->where('series_id', $row->id)->where('op_id', $id)->first();

            return $done ?? $work($row);
        });
    }

    /**
     * @param  array<string, mixed>  $input
     * @param  list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}>  $records
     */
    private function written(
        Series $row,
        User $user,
        string $kind,
        int $form,
        array $input,
        string $title,
        array $records,
        ?string $id,
    ): SeriesEntry {
        $row->newQuery()
            ->whereKey($row->id)
            ->update(['palette_version' => ++$row->palette_version]);

        return SeriesEntry::query()->create([
            'series_id' => $row->id,
            'user_id' => $user->id,
            'version' => $row->palette_version,
            'kind' => $kind,
            'form' => $form,
            'input' => $input,
            'title' => mb_substr($title, 0, 120),
            'records' => $records,
            'op_id' => $id,
        ]);
    }
}
