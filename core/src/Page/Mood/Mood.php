<?php

declare(strict_types=1);

namespace Awning\Core\Page\Mood;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;

/**
 * Layers over a whole page, bottom up: what a series keeps under a name and a page shows. It may bring a light plan and
 * a palette variant, by their names: so it fits every series that has plans and variants of these names.
 *
 * @phpstan-import-type ContentData from \Awning\Core\Page\Pass\PassContent
 *
 * @phpstan-type MoodLayerData array{name: string, content: ContentData, mode: string, opacity: float}
 */
final readonly class Mood
{
    public const MOST = 24;

    /** Characters in the name of a light plan or of a variant. */
    public const LONGEST = 80;

    /**
     * @param  non-empty-list<PassSpec>  $layers  nobody's, over the whole page; none of them is painted
     * @param  string  $light  the name of a light plan; empty: the page's own
     * @param  string  $variant  the name of a palette variant; empty: the page's own
     */
    private function __construct(
        public array $layers,
        public string $light = '',
        public string $variant = '',
    ) {
    }

    /**
     * @param  list<PassSpec>  $layers
     *
     * @throws \InvalidArgumentException
     */
    public static function of(array $layers): self
    {
        if ($layers === [] || count($layers) > self::MOST) {
            throw new \InvalidArgumentException('A mood has 1 to '.self::MOST.' layers.');
        }
        foreach ($layers as $layer) {
            if ($layer->content->kind()->isPainted()) {
                throw new \InvalidArgumentException("$layer->name is painted: a mood is made of layers that fill.");
            }
        }

        return new self($layers);
    }

    /**
     * @param  list<mixed>  $layers
     *
     * @throws \InvalidArgumentException|\RangeException
     */
    public static function fromList(array $layers): self
    {
        $specs = [];
        foreach ($layers as $layer) {
            $data = is_array($layer) ? $layer : throw new \InvalidArgumentException('A mood is a list of layers.');
            $specs[] = PassSpec::ofNobody(new Data($data));
        }

        return self::of($specs);
    }

    /** @throws \InvalidArgumentException when one of them is no name */
    public function bringing(string $light, string $variant): self
    {
        $light === '' || Bounds::name($light, 'A light plan', self::LONGEST);
        $variant === '' || Bounds::name($variant, 'A variant', self::LONGEST);

        return new self($this->layers, $light, $variant);
    }

    /** @return array{light: string, variant: string} names; empty: none */
    public function brought(): array
    {
        return ['light' => $this->light, 'variant' => $this->variant];
    }

    /** @return list<MoodLayerData> */
    public function toList(): array
    {
        return array_map(
            fn (PassSpec $layer): array => [
                'name' => $layer->name,
                'content' => $layer->content->toData(),
                'mode' => $layer->mode->value,
                'opacity' => $layer->opacity,
            ],
            $this->layers,
        );
    }
}
