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
        $nodes = ['figures' => [], 'ink' => [], 'above' => []];
        $grouped = [];
        foreach ($passes as $id => $pass) {
            $place = match ($pass->scope->kind) {
                ScopeKind::Ink => 'ink',
                ScopeKind::Page => 'above',
                default => 'figures',
            };
            if ($pass->group === null || ($group = $sheet->fact(FactKind::Group, $pass->group)) === null) {
                $nodes[$place][] = $pass->toPass((string) $id);
            } else {
                // A group stands where its lowest pass does.
                if (! isset($grouped[$pass->group])) {
                    $grouped[$pass->group] = [$place, count($nodes[$place]), $group, []];
                    $nodes[$place][] = null;
                }
                $grouped[$pass->group][3][] = $pass->toPass((string) $id);
            }
        }
        foreach ($grouped as [$place, $index, $group, $children]) {
            $nodes[$place][$index] = $this->group($group, $children);
        }
        /** @var array{figures: list<Node>, ink: list<Node>, above: list<Node>} $nodes */

        return new PageStack($flats, $nodes['figures'], $nodes['ink'], $nodes['above'], showInk: $showInk);
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
