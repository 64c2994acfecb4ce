<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesLight;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;

/** A new light plan. */
final readonly class AddLight implements ClientSeriesOp
{
    public function __construct(private string $name, private LightPlan $plan)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['name' => ['required', new Name(80)], 'plan' => 'required|array']);

        return new self(
            $input->string('name')->toString(),
            $asked->built('plan', fn (): LightPlan => LightPlan::fromData(new Data($input->array('plan')))),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'light.add';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Keep the light plan $this->name";
    }

    public function toInput(): array
    {
        return ['name' => $this->name, 'plan' => $this->plan->toData()];
    }

    public function apply(Series $series): array
    {
        $row = SeriesLight::query()
            ->create(['series_id' => $series->id, 'name' => $this->name, 'plan' => $this->plan->toData()])
            ->refresh();

        return [['light', $row->id, null, $row->toRecord()]];
    }
}
