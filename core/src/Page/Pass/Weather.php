<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;

/** Particles as a colourist would ask for them, ready to be hung and set further. */
final class Weather
{
    /** @return array<string, ParticlesContent> by name */
    public static function all(): array
    {
        return [
            'Rain' => new ParticlesContent(
                colour: Rgb::fromHex('#dce6f0'),
                form: ParticleForm::Streak,
                spacing: 22.0,
                size: 0.8,
                length: 42.0,
                angle: -12.0,
                spread: 0.02,
                softness: 0.3,
                near: 0.7,
                middle: 0.55,
                far: 0.4,
            ),
            'Ripples' => new ParticlesContent(
                colour: Rgb::fromHex('#e6eef5'),
                form: ParticleForm::Ripple,
                spacing: 22.0,
                size: 16.0,
                softness: 0.2,
                variety: 0.6,
                near: 0.7,
                middle: 0.75,
                far: 0.6,
            ),
            'Splashes' => new ParticlesContent(
                colour: Rgb::fromHex('#f2f6fa'),
                form: ParticleForm::Splash,
                spacing: 20.0,
                size: 9.0,
                spread: 0.1,
                softness: 0.2,
                variety: 0.6,
                near: 0.8,
                middle: 0.8,
                far: 0.5,
            ),
            'Snow' => new ParticlesContent(
                colour: Rgb::fromHex('#ffffff'),
                spacing: 30.0,
                size: 5.0,
                angle: 15.0,
                softness: 0.6,
                near: 0.85,
                middle: 0.9,
                far: 0.8,
            ),
            'Blizzard' => new ParticlesContent(
                colour: Rgb::fromHex('#ffffff'),
                spacing: 20.0,
                size: 2.6,
                length: 26.0,
                angle: 68.0,
                spread: 0.08,
                softness: 0.7,
                near: 0.8,
                middle: 0.8,
                far: 0.7,
            ),
            'Snow crystals' => new ParticlesContent(
                colour: Rgb::fromHex('#ffffff'),
                form: ParticleForm::Crystal,
                spacing: 70.0,
                size: 18.0,
                spread: 1.0,
                softness: 0.2,
                near: 1.0,
                middle: 0.8,
                far: 0.0,
            ),
            // For pages in black and white: it shows on the ink and on the paper.
            'Snow with an outline' => new ParticlesContent(
                colour: Rgb::fromHex('#ffffff'),
                spacing: 34.0,
                size: 5.0,
                angle: 15.0,
                softness: 0.1,
                near: 1.0,
                middle: 1.0,
                far: 1.0,
                outline: 0.8,
            ),
            'Embers' => new ParticlesContent(
                colour: Rgb::fromHex('#ffab4d'),
                spacing: 60.0,
                size: 3.2,
                length: 4.0,
                angle: 160.0,
                spread: 0.5,
                softness: 0.8,
                variety: 0.8,
                near: 0.9,
                middle: 1.0,
                far: 0.8,
            ),
            'Dust in the light' => new ParticlesContent(
                colour: Rgb::fromHex('#fff1d0'),
                spacing: 26.0,
                size: 1.6,
                spread: 1.0,
                softness: 1.0,
                variety: 0.9,
                near: 0.4,
                middle: 0.6,
                far: 0.6,
            ),
            'Petals' => new ParticlesContent(
                colour: Rgb::fromHex('#f6c9d4'),
                form: ParticleForm::Petal,
                spacing: 75.0,
                size: 12.0,
                angle: 50.0,
                spread: 1.0,
                softness: 0.15,
                variety: 0.25,
                near: 0.9,
                middle: 1.0,
                far: 0.8,
            ),
            'Stars' => new ParticlesContent(
                colour: Rgb::fromHex('#f2f4ff'),
                spacing: 24.0,
                size: 1.5,
                softness: 0.6,
                variety: 0.95,
                near: 1.0,
                middle: 0.9,
                far: 0.6,
            ),
            'Wind lines' => new ParticlesContent(
                colour: Rgb::fromHex('#ffffff'),
                form: ParticleForm::Streak,
                spacing: 60.0,
                size: 1.0,
                length: 160.0,
                angle: 80.0,
                spread: 0.03,
                softness: 0.4,
                near: 0.5,
                middle: 0.6,
                far: 0.0,
            ),
        ];
    }
}
