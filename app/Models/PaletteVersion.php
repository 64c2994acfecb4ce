<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A palette as it was when somebody gave it a name.
 *
 * @phpstan-import-type DerivationPart from Derivation
 *
 * @phpstan-type KeptMaterial array{pinned: array<value-of<Tone>, string>, dials: ?DerivationPart,
 *     more?: ?array<value-of<Tone>, string>}
 *
 * @property int $id
 * @property int $series_id
 * @property ?int $user_id
 * @property string $name
 * @property int $version the series' then
 * @property array{light: string, dials: ?DerivationPart, materials: array<int, KeptMaterial>} $palette
 * @property Carbon $made_at
 * @property ?User $user
 */
final class PaletteVersion extends Model
{
    use CleanName;

    public $timestamps = false;

    protected $fillable = ['series_id', 'user_id', 'name', 'version', 'palette'];

    /** @var array<string, string> */
    protected $casts = ['palette' => 'array', 'made_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * @param  array<value-of<Tone>, string>  $others  tones that are pinned to other colours, as #rrggbb
     * @return ?array<value-of<Tone>, Rgb> all six tones of a material then; null when it was not there
     */
    public function tones(int $material, array $others = []): ?array
    {
        $kept = $this->palette['materials'][$material] ?? null;
        if ($kept === null) {
            return null;
        }
        $rule = new ToneRule(
            Rgb::fromHex($this->palette['light']),
            (new Derivation)->with($this->palette['dials'] ?? [])->with($kept['dials'] ?? []),
        );

        return $rule->complete(array_map(Rgb::fromHex(...), $others + $kept['pinned']));
    }
}
