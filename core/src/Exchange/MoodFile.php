<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\CurveContent;
use Awning\Core\Page\Pass\LevelsContent;
use Awning\Core\Page\Pass\PassContent;
use Awning\Core\Page\Pass\PassKind;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\SoftnessContent;

/**
 * A mood as a file: its name, and the layers it lays over a picture, bottom up. Documented in docs/mood-file.md.
 *
 * Levels are told in 0..255 there, and blur by its standard deviation; all else as pages keep it. What a page has and a
 * file has no word for (who is in front of whom, masks) is left out when it is written.
 */
final class MoodFile
{
    private const VERSION = 1;

    public const MOST_LAYERS = 64;

    public const MOST_BYTES = 1_000_000;

    private const LONGEST_NAME = 60;

    private const DEEPEST = 8;

    /** What the file calls layers, by kind of pass. */
    private const KINDS = [
        'wash' => PassKind::Wash,
        'gradient' => PassKind::Gradient,
        'levels' => PassKind::Levels,
        'curve' => PassKind::Curve,
        'shift' => PassKind::Shift,
        'balance' => PassKind::Balance,
        'mist' => PassKind::Mist,
        'particles' => PassKind::Particles,
        'clouds' => PassKind::Clouds,
        'lightning' => PassKind::Lightning,
        'shafts' => PassKind::Shafts,
        'blur' => PassKind::Softness,
        'glow' => PassKind::Glow,
        'shimmer' => PassKind::Shimmer,
    ];

    /**
     * @return array{string, non-empty-list<PassSpec>, array{string, string}} its name, its layers over the whole page,
     *     bottom up, and the names of the light plan and of the palette variant it brings (empty: none)
     *
     * @throws \InvalidArgumentException with the place that is wrong
     */
    public static function read(string $json): array
    {
        if (strlen($json) > self::MOST_BYTES) {
            throw new \InvalidArgumentException(
                'This file is larger than any mood. Look whether it is the right one.',
            );
        }
        $data = json_decode($json, true, self::DEEPEST);
        if (! is_array($data) || ($data['awning'] ?? null) !== 'mood') {
            throw new \InvalidArgumentException('This is no mood. A mood begins with {"awning":"mood","version":1}.');
        }
        if (($data['version'] ?? null) !== self::VERSION) {
            throw new \InvalidArgumentException(
                'This mood was saved by a newer version. Save it again for this one.',
            );
        }
        $layers = $data['layers'] ?? null;
        if (! is_array($layers) || ! array_is_list($layers) || $layers === []) {
            throw new \InvalidArgumentException('A mood has a list of layers, one at the least.');
        }
        if (count($layers) > self::MOST_LAYERS) {
            throw new \InvalidArgumentException(
                sprintf('This mood has %d layers; Awning reads up to %d.', count($layers), self::MOST_LAYERS),
            );
        }
        $specs = [];
        foreach ($layers as $i => $layer) {
            try {
                $specs[] = self::layer(new Data(is_array($layer) ? $layer : []));
            } catch (\InvalidArgumentException|\RangeException $error) {
                throw new \InvalidArgumentException(sprintf('Layer %d: %s', $i + 1, $error->getMessage()), 0, $error);
            }
        }

        $all = new Data($data);
        $brought = fn (string $what): string => $all->has($what)
            ? Bounds::name(trim($all->text($what)), "The $what of the mood", Mood::LONGEST)
            : '';

        return [self::name($data['name'] ?? null), $specs, [$brought('light'), $brought('variant')]];
    }

    /**
     * @param  list<PassSpec>  $layers  bottom up
     * @param  string  $light  the name of the light plan it brings; empty: none
     * @param  string  $variant  the name of the palette variant it brings; empty: none
     */
    public static function write(string $name, array $layers, string $light = '', string $variant = ''): string
    {
        $kinds = array_map(fn (PassKind $kind): string => $kind->value, self::KINDS);
        $list = [];
        foreach ($layers as $layer) {
            $kind = array_search($layer->content->kind()->value, $kinds, true);
            if ($kind !== false) {
                $list[] =
                    ['kind' => $kind, 'name' => $layer->name, 'mode' => $layer->mode->value] + [
                        'opacity' => $layer->visible ? $layer->opacity : 0.0,
                    ] +
                    self::settings($layer->content);
            }
        }

        return json_encode(
            ['awning' => 'mood', 'version' => self::VERSION, 'name' => $name] +
                array_filter(['light' => $light, 'variant' => $variant]) +
                ['layers' => $list],
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    private static function name(mixed $name): string
    {
        $name = is_string($name) ? trim($name) : '';
        if ($name === '' || mb_strlen($name) > self::LONGEST_NAME || preg_match(Bounds::NOT_IN_NAMES, $name) !== 0) {
            throw new \InvalidArgumentException(
                'The mood needs a name of 1 to '.self::LONGEST_NAME.' characters.',
            );
        }

        return $name;
    }

    private static function layer(Data $data): PassSpec
    {
        $kind = $data->text('kind');
        $known = self::KINDS[$kind] ?? null;
        if ($known === null) {
            throw new \InvalidArgumentException(
                sprintf(
                    'Its kind is "%s"; a mood knows %s.',
                    Bounds::shown($kind),
                    implode(', ', array_keys(self::KINDS)),
                ),
            );
        }

        return new PassSpec(
            name: $data->has('name') ? Bounds::name($data->text('name'), 'A layer') : ucfirst($kind),
            figure: 0,
            content: self::content($kind, $known, $data),
            scope: Scope::page(),
            mode: $data->choice(
                'mode',
                BlendMode::class,
                'A mode is one of the W3C: normal, multiply, screen, soft-light and so on.',
                BlendMode::Normal,
            ),
            opacity: $data->number('opacity', 0, 1, 1.0),
        );
    }

    private static function content(string $kind, PassKind $known, Data $data): PassContent
    {
        return match ($kind) {
            'levels' => new LevelsContent(
                black: $data->number('black', 0, 255, 0.0) / 255,
                white: $data->number('white', 0, 255, 255.0) / 255,
                middle: $data->number('gamma', 0.1, 10, 1.0),
                low: $data->number('outBlack', 0, 255, 0.0) / 255,
                high: $data->number('outWhite', 0, 255, 255.0) / 255,
                channel: CurveContent::channelOf($data),
            ),
            'blur' => new SoftnessContent($data->number('sigma', 0.5, SoftnessContent::MOST)),
            default => $known->content()::fromData($data),
        };
    }

    /** @return array<string, mixed> */
    private static function settings(PassContent $content): array
    {
        return match (true) {
            $content instanceof LevelsContent => [
                'channel' => $content->channel->value,
                'black' => 255 * $content->black,
                'white' => 255 * $content->white,
                'gamma' => $content->middle,
                'outBlack' => 255 * $content->low,
                'outWhite' => 255 * $content->high,
            ],
            $content instanceof SoftnessContent => ['sigma' => $content->reach],
            default => array_diff_key($content->toData(), ['kind' => 0]),
        };
    }
}
