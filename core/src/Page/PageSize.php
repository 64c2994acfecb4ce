<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\Mood\Brought;

/**
 * How large a page is, how its lines look, and whether its flats follow its ink.
 *
 * @phpstan-import-type LinesData from LineColouring
 *
 * @phpstan-type SizeData array{width: int, height: int, dpi: float, behind: bool, lines: LinesData, mood: string,
 *     moodPlan: ?int, moodVariant: ?int}
 */
final readonly class PageSize implements Record
{
    public const KEY = 'page';

    public const MOST = 30_000;

    /** Dots an inch. */
    private const FINEST = 100_000.0;

    private const PROPORTION = 0.01;

    /**
     * @param  int  $width  px
     * @param  int  $height  px
     * @param  float  $dpi  0 when it is not known
     * @param  bool  $behind  lines have changed since the regions were found
     * @param  string  $mood  the name of the one it is shown in; empty: none
     * @param  ?int  $moodPlan  the light plan the mood brings, under which tones are shown; null: the page's own
     * @param  ?int  $moodVariant  the palette variant the mood brings; null: the page's own
     */
    public function __construct(
        public int $width,
        public int $height,
        public float $dpi = 0.0,
        public bool $behind = false,
        public LineColouring $lines = new LineColouring,
        public string $mood = '',
        public ?int $moodPlan = null,
        public ?int $moodVariant = null,
    ) {
        if ($width < 1 || $height < 1 || $width > self::MOST || $height > self::MOST) {
            throw new \InvalidArgumentException('A page is 1 to '.self::MOST.' px wide and high.');
        }
        Bounds::number('dpi', $dpi, 0, self::FINEST);
        $mood === '' || Bounds::name($mood, 'A mood');
        Bounds::whole('moodPlan', $moodPlan ?? 1, 1, PHP_INT_MAX);
        Bounds::whole('moodVariant', $moodVariant ?? 1, 1, PHP_INT_MAX);
        if ($mood === '' && ($moodPlan !== null || $moodVariant !== null)) {
            throw new \InvalidArgumentException('Only a mood brings a light plan or a variant.');
        }
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Page;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->int('width', 1, self::MOST),
            $data->int('height', 1, self::MOST),
            $data->number('dpi', 0, self::FINEST, 0),
            $data->flag('behind', false),
            $data->has('lines') ? LineColouring::fromData($data->map('lines')) : new LineColouring,
            $data->text('mood'),
            $data->intOrNull('moodPlan', 1, PHP_INT_MAX),
            $data->intOrNull('moodVariant', 1, PHP_INT_MAX),
        );
    }

    /** @return SizeData */
    public function toData(): array
    {
        return [
            'width' => $this->width,
            'height' => $this->height,
            'dpi' => $this->dpi,
            'behind' => $this->behind,
            'lines' => $this->lines->toData(),
            'mood' => $this->mood,
            'moodPlan' => $this->moodPlan,
            'moodVariant' => $this->moodVariant,
        ];
    }

    public function with(bool $behind): self
    {
        return $this->sized($this->width, $this->height, $this->dpi, $behind);
    }

    public function coloured(LineColouring $lines): self
    {
        return new self(
            $this->width,
            $this->height,
            $this->dpi,
            $this->behind,
            $lines,
            $this->mood,
            $this->moodPlan,
            $this->moodVariant,
        );
    }

    /**
     * @param  string  $mood  its name; empty: none
     * @param  ?int  $plan  the light plan it brings
     * @param  ?int  $variant  the palette variant it brings
     */
    public function showing(string $mood, ?int $plan = null, ?int $variant = null): self
    {
        return new self($this->width, $this->height, $this->dpi, $this->behind, $this->lines, $mood, $plan, $variant);
    }

    /** What its mood brings. */
    public function brought(): Brought
    {
        return new Brought($this->moodPlan, $this->moodVariant);
    }

    /** The same page at another size. */
    public function sized(int $width, int $height, float $dpi, bool $behind): self
    {
        return new self(
            $width,
            $height,
            $dpi,
            $behind,
            $this->lines,
            $this->mood,
            $this->moodPlan,
            $this->moodVariant,
        );
    }

    /** @return float px for a thousandth of the page's longer side: what lengths are told in that fit every page */
    public function thousandth(): float
    {
        return max($this->width, $this->height) / 1000;
    }

    /** The page at half (1), a quarter (2) … of its size. */
    public function reduced(int $level): self
    {
        return $this->sized(
            max(1, $this->width >> $level),
            max(1, $this->height >> $level),
            $this->dpi,
            $this->behind,
        );
    }

    /**
     * Whether a picture of that size is the page's, larger or smaller: its sides are in the page's proportion, or
     * nearly.
     */
    public function isInProportion(int $width, int $height): bool
    {
        return abs(($width * $this->height) / ($height * $this->width) - 1) <= self::PROPORTION;
    }

    public function fits(self $other): bool
    {
        return $this->width === $other->width && $this->height === $other->height;
    }
}
