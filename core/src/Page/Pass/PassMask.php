<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Keeps a pass to what another one covers, or clear of it: lights only where no shade is, a rim in the shade alone.
 * What counts is what is painted in the other inside its own clip, shown or rolled up, whatever its opacity.
 *
 * @phpstan-type MaskData array{pass: string, outside: bool}
 */
final readonly class PassMask
{
    /** @param  bool  $outside  it shows where the other covers nothing */
    public function __construct(public string $pass, public bool $outside = false)
    {
        Bounds::id($pass);
    }

    public static function fromData(Data $data): self
    {
        return new self($data->id('pass'), $data->flag('outside', false));
    }

    /** @return MaskData */
    public function toData(): array
    {
        return ['pass' => $this->pass, 'outside' => $this->outside];
    }
}
