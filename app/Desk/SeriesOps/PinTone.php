<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\SeriesPalette;
use App\Models\Material;
use App\Models\Series;
use Awning\Core\Colour\Tone;

/** Pins a tone to a colour, or with null lets it be derived again. */
final readonly class PinTone implements SeriesOp
{
    /**
     * @param  int  $version  the material's, as the client knows it
     * @param  ?string  $colour  #rrggbb
     */
    public function __construct(private Material $material, private int $version, private Tone $tone, private ?string $colour)
    {
    }

    public static function kind(): string
    {
        return 'tone.pin';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return ($this->colour === null ? 'Derive' : 'Pin')." {$this->material->name}, {$this->tone->value}";
    }

    public function toInput(): array
    {
        return ['material' => $this->material->id, 'tone' => $this->tone->value, 'colour' => $this->colour];
    }

    public function apply(Series $series): array
    {
        $row = Material::query()->lockForUpdate()->findOrFail($this->material->id);
        if ($row->version !== $this->version) {
            throw new Conflict("Somebody changed {$row->name} meanwhile. Theirs is shown; choose again if yours should stand.", [
                'reason' => 'palette', 'theirs' => (new SeriesPalette($series))->material($row), 'yours' => ['tone' => $this->tone->value, 'colour' => $this->colour],
            ]);
        }
        $before = $row->toRecord();
        $pinned = $row->pinned;
        if ($this->colour === null) {
            unset($pinned[$this->tone->value]);
        } else {
            $pinned[$this->tone->value] = $this->colour;
        }
        $row->pinned = $pinned;
        $row->version++;
        $row->save();

        return [['material', $row->id, $before, $row->toRecord()]];
    }
}
