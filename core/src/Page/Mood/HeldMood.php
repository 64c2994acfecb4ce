<?php

declare(strict_types=1);

namespace Awning\Core\Page\Mood;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * A mood that a page keeps at hand while it is shown in another: its layers as the page left them, with their masks,
 * turns and groups. None of them is painted, so they have no tiles.
 *
 * @phpstan-import-type PassData from PassSpec
 * @phpstan-import-type GroupData from PassGroup
 * @phpstan-import-type BroughtData from Brought
 *
 * @phpstan-type HeldMoodData array{name: string, brought: BroughtData, layers: array<string, PassData>,
 *     groups: array<string, GroupData>}
 */
final readonly class HeldMood implements Record
{
    /** How many a page keeps at hand. */
    public const MOST = 12;

    /**
     * @param  string  $name  of the mood: several at hand may have the same
     * @param  array<string, PassSpec>  $layers  by id, 1 to Mood::MOST
     * @param  array<string, PassGroup>  $groups  by id: those that some of the layers are in
     *
     * @throws \InvalidArgumentException when there are too few or too many layers, or one is painted
     */
    public function __construct(
        public string $name,
        public Brought $brought,
        public array $layers,
        public array $groups = [],
    ) {
        Bounds::name($name, 'A mood');
        Mood::of(array_values($layers));
        foreach ([...array_keys($layers), ...array_keys($groups)] as $id) {
            Bounds::id((string) $id);
        }
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Held;
    }

    public static function fromData(Data $data): self
    {
        $layers = $data->map('layers');
        $groups = $data->map('groups');

        return new self(
            $data->name('name', 'A mood'),
            Brought::fromData($data->map('brought')),
            self::each($layers, PassSpec::fromData(...)),
            self::each($groups, PassGroup::fromData(...)),
        );
    }

    /**
     * @template T
     *
     * @param  callable(Data): T  $read
     * @return array<string, T> by id
     */
    private static function each(Data $data, callable $read): array
    {
        $all = [];
        foreach ($data->names() as $id) {
            $all[$id] = $read($data->map($id));
        }

        return $all;
    }

    /** @return HeldMoodData */
    public function toData(): array
    {
        return [
            'name' => $this->name,
            'brought' => $this->brought->toData(),
            'layers' => array_map(fn (PassSpec $layer): array => $layer->toData(), $this->layers),
            'groups' => array_map(fn (PassGroup $group): array => $group->toData(), $this->groups),
        ];
    }
}
