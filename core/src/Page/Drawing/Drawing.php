<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

use Awning\Core\Codec\Picture;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * A drawing that was brought in: the original it comes from, how it is cleaned, where it lies and what it is.
 *
 * @phpstan-import-type CleanData from CleanSettings
 * @phpstan-import-type PlacementData from Placement
 *
 * @phpstan-type FoundData array{paper: int, ink: int, askew: ?float, turned: float, specks: int, share: float,
 *     dropped: list<string>, sheet: ?list<array{float, float}>}
 * @phpstan-type DrawingData array{original: int, name: string, width: int, height: int, clean: CleanData,
 *     place: PlacementData, role: value-of<DrawingRole>, tint: string, strength: float, above: bool, visible: bool,
 *     order: int, picture: int, pictures: int, found: FoundData}
 */
final readonly class Drawing implements Record
{
    /** Blue, so that it cannot be confused with the ink; half strength (both common practice). */
    public const TINT = '#4a8fe0';

    public const STRENGTH = 0.5;

    public const FRONT = 1_000_000;

    /** Of one file. */
    public const MOST_PICTURES = Picture::MOST;

    private const CHANGEABLE = ['role', 'tint', 'strength', 'above', 'visible', 'order'];

    /** Characters of the file's name that are kept. */
    public const NAME = 200;

    /**
     * @param  int  $original  the file it was read from
     * @param  int  $width  of the original, px, upright
     * @param  string  $tint  of an underdrawing, #rrggbb
     * @param  float  $strength  of an underdrawing, 0..1
     * @param  bool  $above  whether an underdrawing lies over the ink, instead of under it
     * @param  int  $order  drawings with a higher one lie in front
     * @param  int  $picture  which of the original's pictures or pages it is, from 1
     * @param  int  $pictures  how many the original has
     * @param  FoundData  $found  what cleaning it found
     */
    public function __construct(
        public int $original,
        public string $name,
        public int $width,
        public int $height,
        public CleanSettings $clean,
        public Placement $place,
        public DrawingRole $role,
        public string $tint,
        public float $strength,
        public bool $visible,
        public array $found,
        public bool $above = false,
        public int $order = 0,
        public int $picture = 1,
        public int $pictures = 1,
    ) {
        Bounds::whole('original', $original, 0);
        if (mb_strlen($name) > self::NAME) {
            throw new \InvalidArgumentException('The name of a drawing has at most '.self::NAME.' characters.');
        }
        Bounds::whole('width', $width, 1, PageSize::MOST);
        Bounds::whole('height', $height, 1, PageSize::MOST);
        Bounds::colour($tint);
        Bounds::number('strength', $strength, 0, 1);
        Bounds::whole('order', $order, -self::FRONT, self::FRONT);
        Bounds::whole('picture', $picture, 1, self::MOST_PICTURES);
        Bounds::whole('pictures', $pictures, 1, self::MOST_PICTURES);
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Drawing;
    }

    public static function fromData(Data $data): self
    {
        /** @var FoundData $found */
        $found = $data->map('found')->all();

        return new self(
            original: $data->int('original', 0, PHP_INT_MAX),
            name: $data->text('name'),
            width: $data->int('width', 1, PageSize::MOST),
            height: $data->int('height', 1, PageSize::MOST),
            clean: CleanSettings::fromData($data->map('clean')),
            place: Placement::fromData($data->map('place')),
            role: $data->choice('role', DrawingRole::class, 'A drawing is ink or an underdrawing.', DrawingRole::Ink),
            tint: $data->text('tint', self::TINT),
            strength: $data->number('strength', 0, 1, self::STRENGTH),
            visible: $data->flag('visible', true),
            found: $found,
            above: $data->flag('above', false),
            order: $data->int('order', -self::FRONT, self::FRONT, 0),
            picture: $data->int('picture', 1, self::MOST_PICTURES, 1),
            // Pages were kept with the count of every picture in their file, however many: those must open.
            pictures: min(self::MOST_PICTURES, $data->int('pictures', 1, PHP_INT_MAX, 1)),
        );
    }

    /**
     * The values of a change, each read as a drawing reads it.
     *
     * @return array<string, mixed> by name
     *
     * @throws \InvalidArgumentException when a value may not be changed, or not to this
     */
    public static function changesOf(Data $values): array
    {
        $sample = [
            'original' => 0,
            'width' => 1,
            'height' => 1,
            'clean' => [],
            'place' => ['x' => 0, 'y' => 0],
            'found' => [],
        ];
        if (array_diff($values->names(), self::CHANGEABLE) !== []) {
            throw new \InvalidArgumentException(
                'Of a drawing its role, tint, strength and order change here, and whether it shows.',
            );
        }

        return array_intersect_key(self::fromData($values->over(new Data($sample)))->toData(), $values->all());
    }

    /** @return DrawingData */
    public function toData(): array
    {
        return [
            'original' => $this->original,
            'name' => $this->name,
            'width' => $this->width,
            'height' => $this->height,
            'clean' => $this->clean->toData(),
            'place' => $this->place->toData(),
            'role' => $this->role->value,
            'tint' => $this->tint,
            'strength' => $this->strength,
            'above' => $this->above,
            'visible' => $this->visible,
            'order' => $this->order,
            'picture' => $this->picture,
            'pictures' => $this->pictures,
            'found' => $this->found,
        ];
    }

    public function placed(Placement $place): self
    {
        return new self(
            original: $this->original,
            name: $this->name,
            width: $this->width,
            height: $this->height,
            clean: $this->clean,
            place: $place,
            role: $this->role,
            tint: $this->tint,
            strength: $this->strength,
            visible: $this->visible,
            found: $this->found,
            above: $this->above,
            order: $this->order,
            picture: $this->picture,
            pictures: $this->pictures,
        );
    }

    /** Whether its lines are among the page's ink. */
    public function isInked(): bool
    {
        return $this->role === DrawingRole::Ink && $this->visible;
    }
}
