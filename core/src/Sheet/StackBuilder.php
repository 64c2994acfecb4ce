<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Compose\BlendMode;
use Awning\Core\Compose\Flat;
use Awning\Core\Compose\Node;
use Awning\Core\Compose\PageStack;
use Awning\Core\Compose\PassGroup;
use Awning\Core\Compose\ScopeKind;

/** Puts a page's facts and the series' palette together to what the compositor lays. */
final readonly class StackBuilder
{
    public function build(Sheet $sheet, Palette $palette, bool $showInk = true): PageStack
    {
        $flats = [];
        foreach ($sheet->facts(FactKind::Region) as $label => $region) {
            $tones = is_int($region['material']) ? $palette->materials[$region['material']] ?? null : null;
            if ($tones !== null && is_int($region['figure']) && is_int($region['material'])) {
                $flats[(int) $label] = new Flat($region['figure'], $region['material'], $tones);
            }
        }
        $passes = [];
        foreach ($sheet->facts(FactKind::Pass) as $id => $fact) {
            $passes[$id] = PassFact::fromArray($fact);
        }
        uksort($passes, fn (int|string $a, int|string $b): int => [$passes[$a]->order, (string) $a] <=> [$passes[$b]->order, (string) $b]);
        /** @var array{figures: list<Node>, ink: list<Node>, above: list<Node>} $nodes */
        $nodes = ['figures' => [], 'ink' => [], 'above' => []];
        $laid = [];
        foreach ($passes as $id => $pass) {
            $group = $pass->group === null ? null : $sheet->fact(FactKind::Group, $pass->group);
            if ($group !== null && isset($laid[$pass->group])) {
                continue;
            }
            $laid[$pass->group ?? ''] = true;
            $place = match ($pass->scope->kind) {
                ScopeKind::Ink => 'ink',
                ScopeKind::Page => 'above',
                default => 'figures',
            };
            // A group stands where its lowest pass does.
            $nodes[$place][] = $group === null ? $pass->toPass((string) $id) : $this->group($group, $this->members($passes, $pass->group));
        }

        return new PageStack($flats, $nodes['figures'], $nodes['ink'], $nodes['above'], showInk: $showInk);
    }

    /**
     * @param  array<PassFact>  $passes  in order
     * @return list<Node>
     */
    private function members(array $passes, ?string $group): array
    {
        $members = [];
        foreach ($passes as $id => $pass) {
            if ($pass->group === $group) {
                $members[] = $pass->toPass((string) $id);
            }
        }

        return $members;
    }

    /**
     * @param  array<string, mixed>  $group
     * @param  list<Node>  $children
     */
    private function group(array $group, array $children): PassGroup
    {
        return new PassGroup(
            $children,
            (bool) $group['isolated'],
            BlendMode::from(is_string($group['mode']) ? $group['mode'] : 'normal'),
            is_float($group['opacity']) || is_int($group['opacity']) ? (float) $group['opacity'] : 1.0,
        );
    }
}
