<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Painting\PageMoods;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Lets go a mood that the page keeps at hand.
 *
 * @phpstan-type LetGoMoodInput array{id: string}
 */
final readonly class LetGoMood implements ClientOp
{
    private function __construct(private string $id)
    {
    }

    public static function kind(): string
    {
        return 'mood.letgo';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'));
    }

    /** @return LetGoMoodInput */
    public function toInput(): array
    {
        return ['id' => $this->id];
    }

    public function title(): string
    {
        return 'Let a mood at hand go';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        (new PageMoods($sheet))->letGo($this->id);
    }
}
