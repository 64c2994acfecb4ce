<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Figure;
use App\Models\Material;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Illuminate\Support\Collection;

/**
 * What takes the place of materials and figures that were taken out of a series' palette, or moved in it. Pages are not
 * rewritten for that: their records are read as if they had been, and undoing it in the palette is enough to have them
 * back.
 */
final class StandIns
{
    /** Records that name materials or figures. */
    private const CONCERNED = [RecordKind::Region, RecordKind::Pass];

    /** @var ?array<int, array{int, int}> of each material which one it is now, and of which figure; 0, 0 for none */
    private ?array $materials = null;

    /** @var array<int, int> of each figure that another took over, which */
    private array $figures = [];

    public function __construct(private readonly int $series)
    {
    }

    public static function concern(RecordKind $kind): bool
    {
        return in_array($kind, self::CONCERNED, true);
    }

    /** @return array<int, array{int, int}> looked up when first asked for: most ops never do */
    private function materials(): array
    {
        return $this->materials ??= $this->lookedUp();
    }

    /** @return array<int, array{int, int}> */
    private function lookedUp(): array
    {
        /** @var Collection<int, \stdClass&object{id: int, retired: int, stands_in: ?int}> $figures */
        $figures = Figure::query()
            ->toBase()
            ->where('series_id', $this->series)
            ->get(['id', 'retired', 'stands_in'])
            ->keyBy('id');
        /** @var Collection<int, \stdClass&object{id: int, figure_id: int, retired: int, stands_in: ?int}> $materials */
        $materials = Material::query()
            ->toBase()
            ->whereIn('figure_id', $figures->keys())
            ->get(['id', 'figure_id', 'retired', 'stands_in'])
            ->keyBy('id');
        $now = [];
        foreach ($materials as $id => $row) {
            for ($hops = count($materials); $row !== null && $row->retired && $hops > 0; $hops--) {
                $row = $row->stands_in === null ? null : $materials[$row->stands_in] ?? null;
            }
            $now[$id] = $row === null || $row->retired ? [0, 0] : [$row->id, $row->figure_id];
        }
        foreach ($figures as $id => $row) {
            for (
                $hops = count($figures);
                $row->retired && $row->stands_in !== null && isset($figures[$row->stands_in]) && $hops > 0;
                $hops--
            ) {
                $row = $figures[$row->stands_in];
            }
            if ($row->id !== $id) {
                $this->figures[$id] = $row->id;
            }
        }

        return $now;
    }

    /** @return array{materials: array<int, int>, figures: array<int, int>} only what is another now; 0 for none */
    public function toClient(): array
    {
        return [
            'materials' => array_map(
                fn (array $one): int => $one[0],
                array_filter(
                    $this->materials(),
                    fn (array $one, int $id): bool => $one[0] !== $id,
                    ARRAY_FILTER_USE_BOTH,
                ),
            ),
            'figures' => $this->figures,
        ];
    }

    /** Whether nothing is another now. */
    public function isEmpty(): bool
    {
        return $this->toClient() === ['materials' => [], 'figures' => []];
    }

    public function of(Record $record): Record
    {
        return match (true) {
            $record instanceof Region => $this->region($record),
            $record instanceof PassSpec => $this->pass($record),
            default => $record,
        };
    }

    /**
     * A changed record under the material or figure that is kept, where these are not what was changed: it must be
     * there when the palette has it back.
     *
     * @param  Record  $kept  as it is kept
     * @param  Record  $before  as it was read
     * @param  Record  $after  what was made of that
     */
    public static function unread(Record $kept, Record $before, Record $after): Record
    {
        if ($kept instanceof Region && $before instanceof Region && $after instanceof Region) {
            return $after->material === $before->material ? $after->filled($kept->figure, $kept->material) : $after;
        }
        if ($kept instanceof PassSpec && $before instanceof PassSpec && $after instanceof PassSpec) {
            return $after->figure === $before->figure && $after->scope == $before->scope
                ? self::under($after, $kept->figure, $kept->scope->id)
                : $after;
        }

        return $after;
    }

    private function region(Region $region): Region
    {
        [$material, $figure] = $this->materials()[$region->material] ?? [$region->material, $region->figure];

        return $material === $region->material && $figure === $region->figure
            ? $region
            : $region->filled($figure, $material);
    }

    private function pass(PassSpec $pass): PassSpec
    {
        $materials = $this->materials();
        $figure = $this->figures[$pass->figure] ?? $pass->figure;
        $scope = match ($pass->scope->kind) {
            ScopeKind::Figure, ScopeKind::Behind => $this->figures[$pass->scope->id] ?? $pass->scope->id,
            ScopeKind::Material => $materials[$pass->scope->id][0] ?? $pass->scope->id,
            default => $pass->scope->id,
        };

        return $figure === $pass->figure && $scope === $pass->scope->id ? $pass : self::under($pass, $figure, $scope);
    }

    private static function under(PassSpec $pass, int $figure, int $scope): PassSpec
    {
        return PassSpec::fromData(
            new Data(
                ['figure' => $figure, 'scope' => ['kind' => $pass->scope->kind->value, 'id' => $scope]] +
                    $pass->toData(),
            ),
        );
    }
}
