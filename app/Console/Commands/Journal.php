<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\JournalEntry;
use App\Store\JournalRule;
use App\Values\Scalar;
use Illuminate\Console\Command;

/** How much undo keeps. */
final class Journal extends Command
{
    protected $signature = 'awning:journal {--days= : steps older than this may go; 0 keeps all} {--steps= : but not the newest so many of a page} {--free : let them go}';

    protected $description = 'Show what undo keeps and what a shorter memory would free';

    public function handle(): int
    {
        $days = Scalar::int($this->option('days') ?? config('awning.journal_days'));
        $steps = Scalar::int($this->option('steps') ?? config('awning.journal_steps'));
        $rule = new JournalRule($days, $steps);
        $this->line(
            sprintf(
                '%d steps are kept. Rule: %s.',
                JournalEntry::query()->count(),
                $days === 0
                    ? 'every step, for ever'
                    : "$days days, and the newest $steps steps of each page however old",
            ),
        );
        $freed = $rule->wouldFree();
        $this->line(
            sprintf(
                '%s %d steps; with the next sweep %d tiles, %.1f MB.',
                $this->option('free') ? 'Let go:' : 'This would let go',
                $freed['steps'],
                $freed['tiles'],
                $freed['bytes'] / 1e6,
            ),
        );
        if ($this->option('free')) {
            $rule->forget();
        }

        return self::SUCCESS;
    }
}
