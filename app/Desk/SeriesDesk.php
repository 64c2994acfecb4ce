<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\SeriesOps\SeriesOp;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** The one door through which a series' palette changes: one op, one transaction, one journal entry, one version. */
final class SeriesDesk
{
    /**
     * @param  ?string  $id  the client's: asking again with the same id changes nothing more and gets the same entry
     *
     * @throws Conflict
     */
    public function apply(Series $series, User $user, SeriesOp $op, ?string $id = null): SeriesEntry
    {
        return DB::transaction(function () use ($series, $user, $op, $id): SeriesEntry {
            $row = Series::query()->lockForUpdate()->findOrFail($series->id);
            $done = $id === null ? null : SeriesEntry::query()->where('series_id', $row->id)->where('op_id', $id)->first();
            if ($done !== null) {
                return $done;
            }
            $records = $op->apply($row);
            $row->newQuery()->whereKey($row->id)->update(['palette_version' => ++$row->palette_version]);

            return SeriesEntry::query()->create([
                'series_id' => $row->id, 'user_id' => $user->id, 'version' => $row->palette_version, 'kind' => $op::kind(), 'form' => $op::form(),
                'input' => $op->toInput(), 'title' => mb_substr($op->title(), 0, 120), 'records' => $records, 'op_id' => $id,
            ]);
        });
    }
}
