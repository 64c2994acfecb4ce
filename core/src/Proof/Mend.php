<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

/**
 * A change to the page that does away with what was found: an op, as a client asks for it.
 *
 * @phpstan-type MendData array{title: string, what: string, op: array{kind: string}}
 */
final readonly class Mend
{
    /**
     * @param  string  $title  on its button: "Let down"
     * @param  string  $what  what it does, in a sentence; may be empty
     * @param  string  $kind  of the op
     * @param  array<string, mixed>  $input  of the op
     */
    public function __construct(public string $title, public string $what, public string $kind, public array $input)
    {
    }

    /** @return MendData */
    public function toData(): array
    {
        return ['title' => $this->title, 'what' => $this->what, 'op' => ['kind' => $this->kind] + $this->input];
    }
}
