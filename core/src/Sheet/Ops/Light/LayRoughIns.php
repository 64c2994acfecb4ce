<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** Lays a computed light on several figures, as one step. */
final readonly class LayRoughIns implements Op
{
    /**
     * @param  non-empty-list<\Closure(): LayRoughIn>  $lights  each is asked for when its turn has come: all together
     *     are as large as many pages
     */
    public function __construct(private array $lights)
    {
    }

    public static function kind(): string
    {
        return 'rough.all';
    }

    public static function form(): int
    {
        return 1;
    }

    /** The coverage itself is in the tiles the journal names. */
    public function toInput(): array
    {
        return ['figures' => count($this->lights)];
    }

    public function title(): string
    {
        return 'Lay first light on '.(count($this->lights) === 1 ? 'a figure' : count($this->lights).' figures');
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($this->lights as $light) {
            $light()->apply($sheet);
        }
    }
}
