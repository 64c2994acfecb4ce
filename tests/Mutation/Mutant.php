<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** One exchange in one file. */
final readonly class Mutant
{
    public function __construct(
        public string $path,
        private string $source,
        private int $at,
        private string $text,
        private string $with,
        public int $line,
    ) {
    }

    public function original(): string
    {
        return $this->source;
    }

    public function changed(): string
    {
        return substr_replace($this->source, $this->with, $this->at, strlen($this->text));
    }

    public function describe(): string
    {
        return sprintf('%s:%d: "%s" became "%s"', $this->path, $this->line, trim($this->text), trim($this->with));
    }
}
