<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Says which light plan and which variant of the palette the page's mood brings. Tones are shown under these instead of
 * the page's own; regions that are told to stand under another plan, or to have another variant, keep that.
 *
 * @phpstan-type BringWithMoodInput array{plan: ?int, variant: ?int}
 */
final readonly class BringWithMood implements ClientOp
{
    /**
     * @param  ?int  $plan  null: the page's own
     * @param  ?int  $variant  null: the page's own
     */
    private function __construct(private ?int $plan, private ?int $variant)
    {
    }

    public static function kind(): string
    {
        return 'mood.bring';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->intOrNull('plan', 1, PHP_INT_MAX),
            $input->intOrNull('variant', 1, PHP_INT_MAX),
        );
    }

    /** @return BringWithMoodInput */
    public function toInput(): array
    {
        return ['plan' => $this->plan, 'variant' => $this->variant];
    }

    public function title(): string
    {
        return 'Change what the mood brings';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return References::brought($this->plan, $this->variant);
    }

    public function apply(Sheet $sheet): void
    {
        $size = $sheet->size();
        if ($size->mood === '') {
            throw new OpRefused('The page is shown in no mood. Press a mood first.');
        }
        $sheet->put(PageSize::KEY, $size->showing($size->mood, $this->plan, $this->variant));
    }
}
