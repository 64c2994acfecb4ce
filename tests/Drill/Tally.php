<?php

declare(strict_types=1);

namespace Tests\Drill;

/** What was tried, and what went wrong. */
final class Tally
{
    /** @var array<string, array{tried: int, failed: int, seconds: float, note: string}> */
    private array $drills = [];

    /** @var list<string> */
    private array $failures = [];

    /** @param  callable(): array{int, string}  $drill  gives how often it was tried, and a note */
    public function of(string $name, callable $drill): void
    {
        fwrite(STDERR, sprintf('%-34s', $name));
        $failed = count($this->failures);
        $began = microtime(true);
        try {
            [$tried, $note] = $drill();
        } catch (\Throwable $error) {
            [$tried, $note] = [0, 'ended early'];
            $this->fail(
                $name,
                $error::class.": {$error->getMessage()} at ".basename($error->getFile()).":{$error->getLine()}",
            );
        }
        $this->drills[$name] = [
            'tried' => $tried,
            'failed' => count($this->failures) - $failed,
            'seconds' => microtime(true) - $began,
            'note' => $note,
        ];
        fwrite(
            STDERR,
            sprintf(
                "%6d tried, %d failed, %d s  %s\n",
                $tried,
                count($this->failures) - $failed,
                microtime(true) - $began,
                $note,
            ),
        );
    }

    public function fail(string $where, string $what): void
    {
        $this->failures[] = "$where: ".mb_strcut($what, 0, 300);
    }

    public function isClean(): bool
    {
        return $this->failures === [];
    }

    /** @return list<string> */
    public function failures(): array
    {
        return $this->failures;
    }

    public function table(): string
    {
        $table = "| drill | tried | failed | seconds | |\n|---|---|---|---|---|\n";
        foreach ($this->drills as $name => $drill) {
            $table .= sprintf(
                "| %s | %s | %d | %d | %s |\n",
                $name,
                number_format($drill['tried'], 0, '', ' '),
                $drill['failed'],
                $drill['seconds'],
                $drill['note'],
            );
        }

        return $table;
    }
}
