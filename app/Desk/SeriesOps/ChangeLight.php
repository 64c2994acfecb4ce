<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesLight;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;

/** Another light for a plan, or another name, or it is taken out. */
final readonly class ChangeLight implements ClientSeriesOp
{
    /** @param  int  $version  the plan's, as the client knows it */
    public function __construct(
        private SeriesLight $light,
        private int $version,
        private ?string $name = null,
        private ?LightPlan $plan = null,
        private bool $retire = false,
    ) {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'light' => 'required|integer',
            'version' => 'required|integer',
            'name' => ['sometimes', new Name(80)],
            'plan' => 'sometimes|array',
            'retire' => 'sometimes|boolean',
        ]);
        $plan = fn (): LightPlan => LightPlan::fromData(new Data($input->array('plan')));

        return new self(
            light: $asked->light($input->integer('light')),
            version: $input->integer('version'),
            name: $input->has('name') ? $input->string('name')->toString() : null,
            plan: $input->has('plan') ? $asked->built('plan', $plan) : null,
            retire: $input->boolean('retire'),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'light.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return ($this->retire
            ? 'Delete the light plan '
            : ($this->name !== null
                ? 'Rename the light plan '
                : 'Change the light plan ')).$this->light->name;
    }

    public function toInput(): array
    {
        return [
            'light' => $this->light->id,
            'name' => $this->name,
            'plan' => $this->plan?->toData(),
            'retire' => $this->retire,
        ];
    }

    public function apply(Series $series): array
    {
        $row = SeriesLight::query()->lockForUpdate()->findOrFail($this->light->id);
        if ($row->version !== $this->version) {
            throw new Conflict(
                "Somebody changed the light plan $row->name meanwhile. Theirs is shown; choose again if yours should stand.",
                ['reason' => 'palette', 'theirs' => null, 'yours' => $this->toInput()],
            );
        }
        $before = $row->toRecord();
        $row->name = $this->name ?? $row->name;
        $row->plan = $this->plan?->toData() ?? $row->plan;
        $row->retired = $this->retire;
        $row->version++;
        $row->save();

        return [['light', $row->id, $before, $row->toRecord()]];
    }
}
