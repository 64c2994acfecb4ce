<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\PassFact;
use Awning\Core\Sheet\Sheet;

/** Alters a pass's name, colour, blend mode, opacity, visibility, clip, place in the order or group. */
final readonly class ChangePass implements Op
{
    private const CHANGEABLE = ['name', 'tone', 'colour', 'mode', 'opacity', 'visible', 'scope', 'order', 'group'];

    /** @param  array<string, mixed>  $values */
    public function __construct(private string $id, private array $values)
    {
    }

    public function title(): string
    {
        return match (array_keys($this->values)) {
            ['visible'] => $this->values['visible'] ? 'Let a pass down' : 'Roll a pass up',
            ['order'] => 'Move a pass',
            ['opacity'] => 'Set a pass\'s opacity',
            ['mode'] => 'Set a pass\'s blend mode',
            default => 'Change a pass',
        };
    }

    public function apply(Sheet $sheet): void
    {
        $fact = $sheet->fact(FactKind::Pass, $this->id) ?? throw new OpRefused('The pass is gone. Reload the page.');
        if (array_diff(array_keys($this->values), self::CHANGEABLE) !== []) {
            throw new OpRefused('This of a pass cannot be changed.');
        }
        try {
            $changed = PassFact::fromArray($this->values + $fact);
        } catch (\InvalidArgumentException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
        if ($changed->group !== null && $sheet->fact(FactKind::Group, $changed->group) === null) {
            throw new OpRefused('The group is gone. Reload the page.');
        }
        $sheet->setFact(FactKind::Pass, $this->id, $changed->toArray());
    }
}
