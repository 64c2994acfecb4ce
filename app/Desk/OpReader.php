<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\Role;
use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\BlendMode;
use Awning\Core\Compose\ScopeKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\AddPass;
use Awning\Core\Sheet\Ops\ChangePass;
use Awning\Core\Sheet\Ops\FillRegions;
use Awning\Core\Sheet\Ops\GroupPasses;
use Awning\Core\Sheet\Ops\RemovePass;
use Awning\Core\Sheet\Ops\Stroke;
use Awning\Core\Sheet\PassFact;

/** Makes an op out of what a client sent. Whatever names something of another series is refused. */
final readonly class OpReader
{
    public function __construct(private Page $page, private Role $role)
    {
    }

    /**
     * @param  array<string, mixed>  $data  validated for shape by the request
     *
     * @throws OpRefused
     */
    public function read(array $data): Op
    {
        $kind = $data['kind'] ?? '';
        if ($kind !== 'fill' && ! $this->role->mayColour()) {
            throw new OpRefused('Your part in this series is flatting: you can fill regions, not paint.');
        }
        try {
            return match ($kind) {
                'fill' => $this->fill($data),
                'stroke' => $this->stroke($data),
                'pass.add' => new AddPass($this->id($data['id'] ?? null), $this->pass($this->map($data['pass'] ?? null))),
                'pass.change' => new ChangePass($this->id($data['id'] ?? null), $this->checkedScope($this->map($data['values'] ?? null))),
                'pass.remove' => new RemovePass($this->id($data['id'] ?? null)),
                'group' => $this->group($data),
                default => throw new OpRefused('This kind of change is not known.'),
            };
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }

    /** @param  array<string, mixed>  $data */
    private function fill(array $data): FillRegions
    {
        $material = is_int($data['material'] ?? null) ? $data['material'] : 0;
        $figure = 0;
        if ($material !== 0) {
            $found = Material::query()->whereRelation('figure', 'series_id', $this->page->series_id)->find($material)
                ?? throw new OpRefused('This material is no longer in the palette. Pick another.');
            $figure = $found->figure_id;
        }
        $labels = array_values(array_unique(array_filter((array) ($data['labels'] ?? []), is_int(...))));
        if ($labels === []) {
            throw new OpRefused('No region was hit. Click inside the lines.');
        }

        return new FillRegions($labels, $figure, $material);
    }

    /** @param  array<string, mixed>  $data */
    private function stroke(array $data): Stroke
    {
        $points = [];
        foreach ((array) ($data['points'] ?? []) as $point) {
            if (! is_array($point) || count($point) !== 3 || array_filter($point, fn (mixed $part): bool => ! is_int($part) && ! is_float($part)) !== []) {
                throw new OpRefused('A stroke is a list of points with x, y and pressure.');
            }
            $points[] = [(float) $point[0], (float) $point[1], (float) $point[2]];
        }
        if ($points === []) {
            throw new OpRefused('The stroke has no points.');
        }
        $brush = $this->map($data['brush'] ?? null);
        $make = $data['make'] ?? null;

        return new Stroke(
            $this->id($data['pass'] ?? null),
            new Path($points),
            new Brush($this->number($brush, 'size', 20), $this->number($brush, 'hardness', 1), $this->number($brush, 'opacity', 1), $this->number($brush, 'smoothing', 0)),
            ($data['erase'] ?? false) === true,
            is_string($data['colour'] ?? null) ? Rgb::fromHex($data['colour'])->parts() : null,
            is_array($make) ? $this->pass($this->map($make)) : null,
        );
    }

    /** @param  array<string, mixed>  $data */
    private function group(array $data): GroupPasses
    {
        $how = $data['how'] ?? null;
        $passes = array_map($this->id(...), array_values((array) ($data['passes'] ?? [])));
        if ($how === null) {
            return new GroupPasses($this->id($data['id'] ?? null), $passes, null);
        }
        $how = $this->map($how);

        return new GroupPasses($this->id($data['id'] ?? null), $passes, [
            'isolated' => ($how['isolated'] ?? true) === true,
            'mode' => BlendMode::tryFrom(is_string($how['mode'] ?? null) ? $how['mode'] : 'normal') ?? throw new OpRefused('This blend mode is not known.'),
            'opacity' => $this->number($how, 'opacity', 1),
        ]);
    }

    /** @param  array<string, mixed>  $values */
    private function pass(array $values): PassFact
    {
        $this->checkedScope($values);
        $figure = $values['figure'] ?? 0;
        if ($figure !== 0 && ! Figure::query()->where('series_id', $this->page->series_id)->whereKey($figure)->exists()) {
            throw new OpRefused('This figure is no longer in the series. Pick another.');
        }

        return PassFact::fromArray($values);
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private function checkedScope(array $values): array
    {
        $scope = $values['scope'] ?? null;
        if (is_array($scope)) {
            $id = is_int($scope['id'] ?? null) ? $scope['id'] : 0;
            $known = match ($scope['kind'] ?? '') {
                ScopeKind::Figure->value => Figure::query()->where('series_id', $this->page->series_id)->whereKey($id)->exists(),
                ScopeKind::Material->value => Material::query()->whereRelation('figure', 'series_id', $this->page->series_id)->whereKey($id)->exists(),
                default => true,
            };
            if (! $known) {
                throw new OpRefused('What the pass is clipped to is no longer in the series.');
            }
        }

        return $values;
    }

    private function id(mixed $id): string
    {
        return is_string($id) && preg_match('/^[a-z0-9]{6,24}$/D', $id) === 1 ? $id : throw new OpRefused('A pass is named by 6 to 24 small letters and digits.');
    }

    /** @return array<string, mixed> */
    private function map(mixed $value): array
    {
        return is_array($value) ? $value : throw new OpRefused('The change is incomplete. Reload the page and try again.');
    }

    /** @param  array<string, mixed>  $values */
    private function number(array $values, string $name, float $default): float
    {
        $value = $values[$name] ?? $default;

        return is_int($value) || is_float($value) ? (float) $value : throw new OpRefused("The $name is a number.");
    }
}
