<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @phpstan-import-type DerivationPart from Derivation
 *
 * @property int $id
 * @property int $figure_id
 * @property string $name
 * @property int $place
 * @property array<value-of<Tone>, string> $pinned tone name => #rrggbb
 * @property ?array<value-of<Tone>, string> $more what the tones beside the six are called, in their order; all of
 *     them are pinned
 * @property int $version
 * @property bool $retired whether it was taken out of the palette
 * @property ?int $stands_in which material takes its place then
 * @property ?DerivationPart $dials of a rule of its own for derived tones
 * @property ?int $follows_id a material of another series that it follows, as its figure does
 * @property ?Material $followed
 * @property Figure $figure
 */
final class Material extends Model
{
    use CanRetire;
    use CleanName;

    protected $fillable = ['figure_id', 'name', 'place', 'pinned', 'dials', 'more'];

    /** @var array<string, string> */
    protected $casts = ['pinned' => 'array', 'dials' => 'array', 'more' => 'array', 'retired' => 'boolean'];

    /** @return BelongsTo<Material, $this> */
    public function followed(): BelongsTo
    {
        return $this->belongsTo(self::class, 'follows_id');
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /**
     * @return array{figure: int, name: string, place: int, pinned: array<value-of<Tone>, string>,
     *     dials: ?DerivationPart, more: ?array<value-of<Tone>, string>, retired: bool, stands_in: ?int,
     *     follows_id: ?int, version: int} as the series' journal keeps it
     */
    public function toRecord(): array
    {
        return [
            'figure' => $this->figure_id,
            'name' => $this->name,
            'place' => $this->place,
            'pinned' => $this->pinned,
            'dials' => $this->dials,
            'more' => $this->more,
            'retired' => $this->retired,
            'stands_in' => $this->stands_in,
            'follows_id' => $this->follows_id,
            'version' => $this->version,
        ];
    }

    /**
     * @param  array<value-of<Tone>, string>  $others  tones that are pinned to other colours, as #rrggbb
     * @return array<value-of<Tone>, Rgb> all six tones, the derived ones by the rule, and those that are named
     */
    public function tones(ToneRule $rule, array $others = []): array
    {
        $own = $this->dials === null ? $rule : $rule->by($rule->dials()->with($this->dials));

        // A variant may still say something of a tone that is gone.
        $unnamed = array_diff_key(array_flip(array_column(Tone::more(), 'value')), $this->more ?? []);

        return $own->complete(array_map(Rgb::fromHex(...), array_diff_key($others + $this->pinned, $unnamed)));
    }
}
