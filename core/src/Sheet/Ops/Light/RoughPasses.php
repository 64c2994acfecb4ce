<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Light\Emission\Glow;
use Awning\Core\Light\Plan\PanelLight;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\PassRules;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/** The passes a first light lays on a figure: how each is hung, and where on the page it covers. */
final readonly class RoughPasses
{
    /** What is computed lies wherever things touch: it is hung fainter than what a hand paints. */
    private const OCCLUSION = 0.35;

    /** What stands in the place of lines that are not shown tells things apart alone. */
    private const INSTEAD_OF_LINES = 0.7;

    /** Lines in full light are still seen. */
    private const LINES = 0.75;

    /**
     * What shines brightens all about it, and burns nothing out: where two glow, they do not add up to more than white.
     */
    private const GLOW = 0.6;

    /** A lamp's light on what is near it. */
    private const LAMP = 0.6;

    /** Snow, and where it lies in shade: it takes the sky's colour (common practice). */
    private const SNOW = '#f6f9fd';

    private const SNOW_SHADE = '#b4c5e0';

    /**
     * @param  PanelLight  $light  of the page; passes that are hung for it take its colours
     * @param  ?Glow  $glow  of what shines
     * @param  array<int, PanelLight>  $panels  by light plan; what has a colour of theirs hangs in passes of its own
     */
    public function __construct(
        private int $figure,
        private PanelLight $light,
        private ?Glow $glow = null,
        private array $panels = [],
    ) {
    }

    /** @return array<string, array{PassSpec, list<array{Rect, Plane}>}> as they lie over each other, bottom up */
    public function all(): array
    {
        $tone = fn (string $name, Tone $tone): PassSpec => new PassSpec(
            $name,
            $this->figure,
            new ToneContent($tone),
            Scope::figure($this->figure),
        );
        $everywhere = fn (callable $coverage): array => self::planes($this->pieces(), $coverage);
        $bounced = $shining = [];
        foreach (
            ['' => $this->light] +
                array_combine(
                    array_map(fn (int $plan): string => "under$plan", array_keys($this->panels)),
                    $this->panels,
                ) as $mark => $light
        ) {
            $bounced[RoughKind::Bounce->value.$mark] = $this->bounced($light);
            $shining += $this->shining($light, $mark);
        }

        return [
            RoughKind::Shade->value => [
                $tone('Shade, rough', Tone::Shade),
                $everywhere(fn (RoughIn $rough): Plane => $rough->shade),
            ],
            RoughKind::Cast->value => [
                $tone('Cast, rough', Tone::Shade),
                $everywhere(fn (RoughIn $rough): Plane => $rough->cast),
            ],
            RoughKind::Deep->value => [
                $tone('Deep, rough', Tone::Deep),
                $everywhere(fn (RoughIn $rough): Plane => $rough->deep),
            ],
            RoughKind::Occlusion->value => [
                $this->tint('Occlusion', 'Occlusion, rough')->changed(new Data(['opacity' => self::OCCLUSION])),
                $everywhere(fn (RoughIn $rough): Plane => $rough->occlusion),
            ],
        ] +
            $bounced + [
                RoughKind::Light->value => [
                    $tone('Light, rough', Tone::Light),
                    $everywhere(fn (RoughIn $rough): Plane => $rough->light),
                ],
                RoughKind::Glint->value => [
                    $tone('Glint, rough', Tone::Glint),
                    $everywhere(fn (RoughIn $rough): Plane => $rough->glint),
                ],
                RoughKind::Lines->value => [
                    $tone('Lines in the light, rough', Tone::Light)
                        ->clippedTo(RoughKind::Lines->scope($this->figure))
                        ->changed(new Data(['opacity' => self::LINES])),
                    $everywhere(fn (RoughIn $rough): Plane => $rough->lines),
                ],
            ] +
            $shining + [
                RoughKind::Snow->value => [
                    $this->snow('Snow, rough', self::SNOW),
                    $everywhere(fn (RoughIn $rough): Plane => $rough->snow),
                ],
                RoughKind::SnowShade->value => [
                    $this->snow('Snow in shade, rough', self::SNOW_SHADE),
                    $everywhere(fn (RoughIn $rough): Plane => $rough->snowShade),
                ],
                // Over all light, as lines are.
                RoughKind::Unseen->value => [
                    $this->tint('Occlusion', 'Instead of lines, rough')->changed(
                        new Data(['opacity' => self::INSTEAD_OF_LINES]),
                    ),
                    $everywhere(fn (RoughIn $rough): Plane => $rough->unseen),
                ],
                RoughKind::Glow->value => [
                    $this->tint('Glow', 'Glow, rough', $this->glow?->colour)
                        ->clippedTo(RoughKind::Glow->scope($this->figure))
                        ->changed(new Data(['mode' => BlendMode::Screen->value, 'opacity' => self::GLOW])),
                    $this->glowing(),
                ],
            ];
    }

    /** @return array{PassSpec, list<array{Rect, Plane}>} */
    private function bounced(PanelLight $light): array
    {
        return [
            $this->tint('Bounce', $light->named('Bounce, rough'), $light->bounce ?? $light->plan->ambient),
            self::planes($light->pieces, fn (RoughIn $rough): Plane => $rough->bounce),
        ];
    }

    /**
     * What else has a colour of its plan: light from behind, and of lamps.
     *
     * @param  string  $mark  what the ids end with
     * @return array<string, array{PassSpec, list<array{Rect, Plane}>}>
     */
    private function shining(PanelLight $light, string $mark): array
    {
        $passes = [
            RoughKind::Rim->value.$mark => [
                $this->tint('Rim', $light->named('Rim, rough'), $light->plan->back->colour ?? $light->plan->colour),
                self::planes($light->pieces, fn (RoughIn $rough): Plane => $rough->rim),
            ],
        ];
        foreach ($light->plan->lamps as $i => $lamp) {
            $number = $i + 1;
            $name = count($light->plan->lamps) === 1 ? 'Lamp, rough' : "Lamp $number, rough";
            $passes["lamp$number$mark"] = [
                $this->tint('Rim', $light->named($name), $lamp->colour)->changed(new Data(['opacity' => self::LAMP])),
                self::planes($light->pieces, fn (RoughIn $rough): Plane => $rough->lamps[$i]),
            ];
        }

        return $passes;
    }

    private function snow(string $name, string $colour): PassSpec
    {
        return new PassSpec(
            $name,
            $this->figure,
            new TintContent(Rgb::fromHex($colour), LightPart::Given),
            Scope::figure($this->figure),
        );
    }

    private function tint(string $offered, string $name, ?Rgb $colour = null): PassSpec
    {
        $pass = PassRules::onFigure($offered, $name, $this->figure);

        return $colour === null ? $pass : $pass->showing(new TintContent($colour, LightPart::Given));
    }

    /** @return list<array{Rect, RoughIn}> under whatever plan */
    public function pieces(): array
    {
        return array_merge(
            $this->light->pieces,
            ...array_values(array_map(fn (PanelLight $panel): array => $panel->pieces, $this->panels)),
        );
    }

    /**
     * @param  list<array{Rect, RoughIn}>  $pieces
     * @param  callable(RoughIn): Plane  $coverage
     * @return list<array{Rect, Plane}>
     */
    private static function planes(array $pieces, callable $coverage): array
    {
        return array_map(fn (array $piece): array => [$piece[0], $coverage($piece[1])], $pieces);
    }

    /** @return list<array{Rect, Plane}> */
    public function glowing(): array
    {
        return $this->glow === null ? [] : [[$this->glow->where, $this->glow->coverage]];
    }
}
