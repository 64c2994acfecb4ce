<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Awning\Core\Colour\Tone;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Passes\ReplaceMaterial;
use Awning\Core\Sheet\Ops\Passes\ReplaceTone;
use Illuminate\Validation\Rule;

/** One material, or one tone of a figure, in place of another. */
final class ReplaceOnPages extends OnPages
{
    public static function kind(): string
    {
        return 'replace';
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked(self::PAGES + [
            'figure' => 'required_without:material|integer',
            'material' => 'required_without:figure|integer',
        ]);

        return ['pages' => self::pages($input)] +
            ($input->has('material') ? self::material($asked) : self::tone($asked));
    }

    /** @return array{title: string, material: int, into: int, figure: int} */
    private static function material(TaskInput $asked): array
    {
        $input = $asked->checked(['material' => 'integer', 'into' => 'required|integer|different:material']);
        $from = $asked->series->livingMaterial($input->integer('material'));
        $to = $asked->series->livingMaterial($input->integer('into'));
        $title = mb_substr("Replace $from->name by $to->name", 0, 120);

        return ['title' => $title, 'material' => $from->id, 'into' => $to->id, 'figure' => $to->figure_id];
    }

    /** @return array{title: string, figure: int, tone: value-of<Tone>, by: value-of<Tone>} */
    private static function tone(TaskInput $asked): array
    {
        $input = $asked->checked([
            'figure' => 'integer',
            'tone' => ['required', Rule::enum(Tone::class)],
            'into' => ['required', Rule::enum(Tone::class), 'different:tone'],
        ]);
        $figure = $asked->series->livingFigure($input->integer('figure'));
        $from = Tone::from($input->string('tone')->toString());
        $to = Tone::from($input->string('into')->toString());
        $title = mb_substr("Replace {$from->value} by {$to->value} on $figure->name", 0, 120);

        return ['title' => $title, 'figure' => $figure->id, 'tone' => $from->value, 'by' => $to->value];
    }

    protected function op(Task $task): Op
    {
        /**
         * @var array{title: string, material: int, into: int, figure: int}|array{title: string, figure: int,
         *     tone: value-of<Tone>, by: value-of<Tone>} $input
         */
        $input = $task->input;

        return isset($input['material'])
            ? new ReplaceMaterial($input['material'], $input['into'], $input['figure'], $input['title'])
            : new ReplaceTone($input['figure'], Tone::from($input['tone']), Tone::from($input['by']), $input['title']);
    }
}
