<?php

declare(strict_types=1);

namespace Awning\Core\Page\Mood;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Under which light plan, and in which variant of the palette, a mood shows the tones.
 *
 * @phpstan-type BroughtData array{plan: ?int, variant: ?int}
 */
final readonly class Brought
{
    /**
     * @param  ?int  $plan  null: it brings no light plan
     * @param  ?int  $variant  null: it brings no variant
     */
    public function __construct(public ?int $plan = null, public ?int $variant = null)
    {
        Bounds::whole('plan', $plan ?? 1, 1, PHP_INT_MAX);
        Bounds::whole('variant', $variant ?? 1, 1, PHP_INT_MAX);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->intOrNull('plan', 1, PHP_INT_MAX),
            $data->intOrNull('variant', 1, PHP_INT_MAX),
        );
    }

    /** @return BroughtData */
    public function toData(): array
    {
        return ['plan' => $this->plan, 'variant' => $this->variant];
    }
}
