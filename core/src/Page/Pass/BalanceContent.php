<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Alteration;
use Awning\Core\Colour\ColourBalance;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * A colour added to the darks of what lies beneath, one to its middle and one to its lights.
 *
 * @phpstan-type BalanceData array{kind: 'balance', darks: array{float, float, float},
 *     middle: array{float, float, float}, lights: array{float, float, float}}
 */
final readonly class BalanceContent implements AlteringContent, PassContent
{
    use AltersBeneath;

    private const SAYS = 'What is added to darks, middle and lights is red, green and blue between -1 and 1.';

    /**
     * @param  array{float, float, float}  $darks  red, green, blue, -1..1
     * @param  array{float, float, float}  $middle
     * @param  array{float, float, float}  $lights
     */
    public function __construct(
        public array $darks = [0.0, 0.0, 0.0],
        public array $middle = [0.0, 0.0, 0.0],
        public array $lights = [0.0, 0.0, 0.0],
    ) {
        foreach ([...$darks, ...$middle, ...$lights] as $part) {
            Bounds::number('part', $part, -1, 1);
        }
    }

    public static function fromData(Data $data): self
    {
        $three = function (string $name) use ($data): array {
            $parts = $data->has($name) ? $data->list($name, 3) : [0, 0, 0];
            foreach ($parts as $part) {
                is_int($part) || is_float($part) || throw new \InvalidArgumentException(self::SAYS);
            }
            [$r, $g, $b] = count($parts) === 3 ? $parts : throw new \InvalidArgumentException(self::SAYS);

            return [(float) $r, (float) $g, (float) $b];
        };

        return new self($three('darks'), $three('middle'), $three('lights'));
    }

    /** @return BalanceData */
    public function toData(): array
    {
        return ['kind' => 'balance', 'darks' => $this->darks, 'middle' => $this->middle, 'lights' => $this->lights];
    }

    public function alteration(): Alteration
    {
        return new ColourBalance($this->darks, $this->middle, $this->lights);
    }

    public function kind(): PassKind
    {
        return PassKind::Balance;
    }
}
