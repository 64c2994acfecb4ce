<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\PaletteVersion;
use App\Models\Series;
use App\Models\SeriesBrush;
use App\Models\SeriesLight;
use App\Models\SeriesMood;
use App\Models\SeriesSetup;
use App\Models\User;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\ShadeHue;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\Setup\Setup;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\ValidatedInput;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** What a window sent with a series op: checked by the op's rules, and what it names looked up in the series. */
final readonly class OpInput
{
    public const COLOUR = 'regex:/^#[0-9a-f]{6}$/D';

    /** @param  array<array-key, mixed>  $data  as it was sent */
    public function __construct(public Series $series, public User $user, public array $data)
    {
    }

    /** Whether a field was sent; an empty list is, too, which `checked` leaves out where its parts have rules. */
    public function has(string $field): bool
    {
        return isset($this->data[$field]);
    }

    /**
     * @param  array<string, mixed>  $rules
     *
     * @throws ValidationException
     */
    public function checked(array $rules): ValidatedInput
    {
        return new ValidatedInput(Validator::make($this->data, $rules)->validate());
    }

    /**
     * A value the core reads, its complaint as one about the field.
     *
     * @template Value
     *
     * @param  callable(): Value  $build
     * @return Value
     *
     * @throws ValidationException
     */
    public function built(string $field, callable $build): mixed
    {
        try {
            return $build();
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw ValidationException::withMessages([$field => $error->getMessage()]);
        }
    }

    /** @throws ValidationException */
    public function passes(string $field): Setup
    {
        return $this->built($field, fn (): Setup => Setup::fromList($this->listOf($field)));
    }

    /** @throws ValidationException */
    public function layers(string $field): Mood
    {
        return $this->built($field, fn (): Mood => Mood::fromList($this->listOf($field)));
    }

    /** @return list<mixed> as it was sent; empty where it was not */
    private function listOf(string $field): array
    {
        $list = $this->data[$field] ?? null;

        return is_array($list) ? array_values($list) : [];
    }

    /** One of the series, retired or not. */
    public function figure(int $id): Figure
    {
        return Figure::query()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function livingFigure(int $id): Figure
    {
        return Figure::living()->where('series_id', $this->series->id)->findOrFail($id);
    }

    /**
     * One of another series, which the person may see.
     *
     * @throws ValidationException when it is one of this series
     */
    public function figureElsewhere(int $id): Figure
    {
        $figure = Figure::living()->findOrFail($id);
        Gate::forUser($this->user)->authorize('view', $figure->series);

        return $figure->series_id === $this->series->id
            ? throw ValidationException::withMessages(['figure' => 'This figure is in the series already.'])
            : $figure;
    }

    /** One of the series, retired or not. */
    public function material(int $id): Material
    {
        return Material::query()->whereRelation('figure', 'series_id', $this->series->id)->findOrFail($id);
    }

    public function livingMaterial(int $id): Material
    {
        return Material::living()->whereRelation('figure', 'series_id', $this->series->id)->findOrFail($id);
    }

    public function variant(int $id): PaletteVariant
    {
        return PaletteVariant::living()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function paletteVersion(int $id): PaletteVersion
    {
        return PaletteVersion::query()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function light(int $id): SeriesLight
    {
        return SeriesLight::living()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function setup(int $id): SeriesSetup
    {
        return SeriesSetup::living()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function mood(int $id): SeriesMood
    {
        return SeriesMood::living()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function brush(int $id): SeriesBrush
    {
        return SeriesBrush::living()->where('series_id', $this->series->id)->findOrFail($id);
    }

    public function page(int $id): Page
    {
        return Page::query()->where('series_id', $this->series->id)->findOrFail($id);
    }

    /** Says that the series does not have what was named. */
    public function unknown(): never
    {
        throw new ModelNotFoundException;
    }

    /** @return array<string, mixed> what each dial of the rule for derived tones may be, for `checked` */
    public static function dials(): array
    {
        $rules = ['dials.toward' => ['sometimes', Rule::enum(ShadeHue::class)]];
        foreach (Derivation::RANGES as $name => [$least, $most]) {
            $rules["dials.$name"] = "sometimes|numeric|between:$least,$most";
        }

        return $rules;
    }
}
