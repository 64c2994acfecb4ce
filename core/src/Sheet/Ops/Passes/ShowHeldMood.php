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
 * Shows the page in a mood that it keeps at hand, with all that was changed of it. The one that it was shown in goes,
 * or is kept at hand in its turn.
 *
 * @phpstan-type ShowHeldMoodInput array{id: string, hold: ?string}
 */
final readonly class ShowHeldMood implements ClientOp
{
    /** @param  ?string  $hold  under which id what the page is shown in now is kept at hand; null: it goes */
    public function __construct(private string $id, private ?string $hold = null)
    {
    }

    public static function kind(): string
    {
        return 'mood.show';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), $input->has('hold') ? $input->id('hold') : null);
    }

    /** @return ShowHeldMoodInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'hold' => $this->hold];
    }

    public function title(): string
    {
        return 'Show the page in a mood at hand';
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
        (new PageMoods($sheet))->show($this->id, $this->hold);
    }
}
