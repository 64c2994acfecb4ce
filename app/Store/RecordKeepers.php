<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\BridgeRow;
use App\Models\DrawingRow;
use App\Models\GroupRow;
use App\Models\HeldMoodRow;
use App\Models\PassRow;
use App\Models\RegionRow;
use App\Models\ShiftRow;
use App\Models\StrokeRow;
use Awning\Core\Page\RecordKind;

/** Which kind of record is kept where. A new kind is a line here. */
final class RecordKeepers
{
    public static function of(RecordKind $kind): RecordKeeper
    {
        return match ($kind) {
            RecordKind::Page => new SizeColumns,
            RecordKind::Region => new RecordRows(RegionRow::class),
            RecordKind::Bridge => new RecordRows(BridgeRow::class),
            RecordKind::Pass => new RecordRows(PassRow::class),
            RecordKind::Group => new RecordRows(GroupRow::class),
            RecordKind::Drawing => new RecordRows(DrawingRow::class),
            RecordKind::Stroke => new RecordRows(StrokeRow::class),
            RecordKind::Shift => new RecordRows(ShiftRow::class),
            RecordKind::Held => new RecordRows(HeldMoodRow::class),
        };
    }
}
