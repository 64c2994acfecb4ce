<?php

declare(strict_types=1);

namespace Awning\Core\Proof\Finders;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderStage;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\Mend;
use Awning\Core\Proof\ProofPage;

/** Passes that are rolled up and mask no other: what is painted in them is not seen. */
final readonly class HiddenPasses implements Finder
{
    public static function kind(): string
    {
        return 'hidden';
    }

    public static function title(): string
    {
        return 'Passes that are rolled up';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Proof;
    }

    public function find(ProofPage $page): array
    {
        $masks = array_fill_keys(
            array_filter(array_map(fn (PassSpec $pass): ?string => $pass->mask?->pass, $page->passes)),
            true,
        );
        $found = [];
        foreach ($page->passes as $id => $pass) {
            if (! $pass->visible && ! isset($masks[$id])) {
                $found[] = new Finding(
                    $pass->name,
                    [],
                    null,
                    null,
                    0.0,
                    new Mend('Let down', 'The pass is seen again', 'pass.change', [
                        'id' => (string) $id,
                        'values' => ['visible' => true],
                    ]),
                );
            }
        }

        return $found;
    }

    public function mend(array $findings): ?Mend
    {
        return null;
    }
}
