<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** One exchange in one file. */
final readonly class Mutant
{
    public function __construct(public string $path, public int $at, public string $text, public string $with, public int $line)
    {
    }

    public function apply(string $source): string
    {
        return substr_replace($source, $this->with, $this->at, strlen($this->text));
    }

    public function describe(): string
    {
        return sprintf('%s:%d: "%s" became "%s"', $this->path, $this->line, trim($this->text), trim($this->with));
    }
}
