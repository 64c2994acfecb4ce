<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Material;
use App\Models\PaletteVersion;
use App\Models\Series;
use Awning\Core\Colour\Derivation;

/** The colours of a named version again, for all pages that follow; what was added since stays as it is. */
final readonly class RestoreVersion implements ClientSeriesOp
{
    use MaterialChange;

    public function __construct(private PaletteVersion $version)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['version' => 'required|integer']);

        return new self($asked->paletteVersion($input->integer('version')));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Versions;
    }

    public static function kind(): string
    {
        return 'version.restore';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Restore {$this->version->name}";
    }

    public function toInput(): array
    {
        return ['version' => $this->version->id];
    }

    public function apply(Series $series): array
    {
        $kept = $this->version->palette;
        $records = (new ChangeRule($kept['light'], (new Derivation)->with($kept['dials'] ?? [])))->apply($series);
        /** @var list<Material> $materials */
        $materials = Material::living()
            ->lockForUpdate()
            ->whereNull('follows_id')
            ->whereKey(array_keys($kept['materials']))
            ->get()
            ->all();
        foreach ($materials as $material) {
            $then = $kept['materials'][$material->id];
            $material->pinned = $then['pinned'];
            $material->dials = $then['dials'];
            $material->more = $then['more'] ?? null;
            if ($material->isDirty()) {
                $records[] = self::saved($material);
            }
        }

        return $records;
    }
}
