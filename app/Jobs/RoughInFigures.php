<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Light\FigureLight;
use App\Desk\Packed;
use App\Desk\Page\PageDesk;
use App\Desk\WorkerProcesses;
use App\Models\Figure;
use App\Models\Task;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Light\LightPage;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Light\LayRoughIn;
use Awning\Core\Sheet\Ops\Light\LayRoughIns;
use Awning\Core\Sheet\Ops\Light\OccludeLines;
use Awning\Core\Sheet\Sheet;

/** Works out a first light on a figure of a page, or on all that there are. */
final class RoughInFigures extends LongTask implements ClientTask
{
    public static function kind(): string
    {
        return 'rough';
    }

    public static function right(): string
    {
        return 'colour';
    }

    public static function holding(): Holding
    {
        return Holding::Held;
    }

    public static function asked(TaskInput $asked): array
    {
        if (! $asked->has('figure')) {
            $input = $asked->checked(['lineless' => 'sometimes|boolean']);

            return ['plan' => $asked->lightPlan()->toData(), 'lineless' => $input->boolean('lineless')];
        }
        [$figure, $plan, $only] = self::askedFigure($asked);

        return ['figure' => $figure->id, 'plan' => $plan->toData(), 'only' => $only];
    }

    /**
     * A figure under a light, or some of its regions.
     *
     * @return array{Figure, LightPlan, list<int>} the regions' labels; none: all of them
     */
    public static function askedFigure(TaskInput $asked): array
    {
        $input = $asked->checked([
            'figure' => 'required|integer',
            'only' => 'sometimes|list|max:5000',
            'only.*' => 'integer|min:1',
        ]);
        $only = Scalar::ints($input->array('only'));

        return [$asked->series->livingFigure($input->integer('figure')), $asked->lightPlan(), $only];
    }

    public static function line(): string
    {
        return TaskLine::LONG;
    }

    /** A light that is tried again and again before the first was worked out: the last one counts. */
    public static function replaces(array $waiting, array $asked): bool
    {
        $what = fn (array $input): array => [
            $input['figure'] ?? null,
            $input['only'] ?? [],
            $input['lineless'] ?? false,
        ];

        return $what($waiting) === $what($asked);
    }

    protected function work(Task $task): void
    {
        $page = $task->onPage();
        /** @var array{figure?: ?int, plan?: array<string, mixed>, only?: list<int>, lineless?: bool} $input */
        $input = $task->input;
        $isLineless = $input['lineless'] ?? false;
        $plan = LightPlan::fromData(new Data($input['plan'] ?? []));
        $this->step($task, 5, 'Looking at the shapes');
        $shapes = FigureLight::pageOf(new Sheet(new PageStore($page)), $page, isLineless: $isLineless);
        $figures = Figure::query()->where('series_id', $page->series_id);
        $progress = fn (float $done) => $this->step($task, 15 + (int) (60 * $done), 'Working out the light');
        $all = fn (RoughKind ...$kinds): LayRoughIns => $this->all(
            self::largestFirst($figures->get()->all(), $shapes),
            $shapes,
            $plan,
            array_values($kinds),
            $progress,
        );
        $op = match (true) {
            isset($input['figure']) => (new FigureLight(
                $shapes,
                $figures->findOrFail($input['figure']),
                new WorkerProcesses(2),
            ))->by($plan, $input['only'] ?? [], $progress),
            $isLineless => new OccludeLines($all(RoughKind::Occlusion, RoughKind::Unseen)),
            default => $all(),
        };
        $this->step($task, 75, 'Laying it on the page');
        (new PageDesk)->land($task, $op);
    }

    /**
     * By two workers; each light is packed until it is laid, as planes are.
     *
     * @param  list<Figure>  $figures
     * @param  list<RoughKind>  $kinds  what is laid; none: all
     * @param  callable(float): void  $progress
     *
     * @throws OpRefused when nothing is filled
     */
    private function all(
        array $figures,
        LightPage $shapes,
        LightPlan $plan,
        array $kinds,
        callable $progress,
    ): LayRoughIns {
        $packed = array_filter(
            (new WorkerProcesses(2))->each(
                $figures,
                fn (Figure $figure): string => self::packed($shapes, $figure, $plan, $kinds),
                $progress,
            ),
        );

        return $packed === []
            ? throw new OpRefused('Nothing is filled on this page yet. Fill regions first.')
            : new LayRoughIns(
                array_map(
                    fn (string $light): \Closure => fn (): LayRoughIn => Packed::read($light, LayRoughIn::class),
                    array_values($packed),
                ),
            );
    }

    /**
     * Empty when there is nothing to light: all of it shines, and nothing shall glow.
     *
     * @param  list<RoughKind>  $kinds
     */
    private static function packed(LightPage $shapes, Figure $figure, LightPlan $plan, array $kinds): string
    {
        try {
            return Packed::of((new FigureLight($shapes, $figure))->by($plan, kinds: $kinds));
        } catch (OpRefused) {
            return '';
        }
    }

    /**
     * Those that are on the page; so that neither hand is left with the largest.
     *
     * @param  array<int, Figure>  $figures
     * @return list<Figure>
     */
    private static function largestFirst(array $figures, LightPage $shapes): array
    {
        $areas = $shapes->bodies();
        $there = array_values(array_filter($figures, fn (Figure $figure): bool => isset($areas[$figure->id])));
        usort($there, fn (Figure $a, Figure $b): int => $areas[$b->id] <=> $areas[$a->id]);

        return $there;
    }
}
