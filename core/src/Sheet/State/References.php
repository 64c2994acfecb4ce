<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ScopeKind;

/** What an op names that lies outside the page: figures, materials and variants of the palette, light plans and
 * setups, which must be of the page's series. */
final readonly class References
{
    /**
     * @param  list<int>  $figures
     * @param  list<int>  $materials
     * @param  array<int, int>  $materialsOf  material => the figure it is said to be of
     * @param  list<int>  $variants
     * @param  list<int>  $lights
     * @param  list<int>  $setups
     */
    public function __construct(
        public array $figures = [],
        public array $materials = [],
        public array $materialsOf = [],
        public array $variants = [],
        public array $lights = [],
        public array $setups = [],
    ) {
    }

    /** The light plan and the palette variant that a mood brings; null: none. */
    public static function brought(?int $plan, ?int $variant): self
    {
        return new self(
            variants: $variant === null ? [] : [$variant],
            lights: $plan === null ? [] : [$plan],
        );
    }

    /**
     * What a pass of a figure with a clip names.
     *
     * @param  ?int  $setup  the setup it was hung from; 0 or null: none
     */
    public static function ofPass(int $figure, Scope $scope, ?int $setup = null): self
    {
        return new self(
            array_values(
                array_filter([
                    $figure,
                    $scope->kind === ScopeKind::Figure || $scope->kind === ScopeKind::Behind ? $scope->id : 0,
                ]),
            ),
            $scope->kind === ScopeKind::Material ? [$scope->id] : [],
            setups: array_values(array_filter([$setup ?? 0])),
        );
    }

    /** These and those. */
    public function and(self $those): self
    {
        return new self(
            [...$this->figures, ...$those->figures],
            [...$this->materials, ...$those->materials],
            $this->materialsOf + $those->materialsOf,
            [...$this->variants, ...$those->variants],
            [...$this->lights, ...$those->lights],
            [...$this->setups, ...$those->setups],
        );
    }
}
