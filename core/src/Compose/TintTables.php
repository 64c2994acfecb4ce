<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Page\BlendMode;
use Awning\Core\Raster\Bytes;

/**
 * What one value of one channel, laid at one opacity in one separable mode, makes of every opaque backdrop at every
 * coverage. Rows are built when first asked for.
 */
final class TintTables
{
    /** @var array<int, string> by coverage: backdrop to result */
    private array $byCoverage = [];

    /** @var array<int, string> by backdrop: coverage to result */
    private array $byBackdrop = [];

    private ?string $whole = null;

    private ?int $plus = null;

    /** @var array<int, float> the blended value over each backdrop, 0..255 */
    private array $blended = [];

    public function __construct(BlendMode $mode, int $source, private readonly float $opacity)
    {
        for ($b = 0; $b < 256; $b++) {
            $this->blended[] = 255 * Blending::channel($mode, $b / 255, $source / 255);
        }
        if ($mode === BlendMode::PlusLighter) {
            // Cb + alpha Cs, held to 1: the sum grows with coverage and is not a mix of two ends.
            $this->plus = $source;
        }
    }

    /** @return string 256 bytes: backdrop to result at this coverage */
    public function at(int $coverage): string
    {
        return $this->byCoverage[$coverage] ??= Bytes::table(fn (int $b): float => $this->value($b, $coverage));
    }

    /** @return string 256 bytes: coverage to result over this backdrop */
    public function over(int $backdrop): string
    {
        return $this->byBackdrop[$backdrop] ??= Bytes::table(fn (int $coverage): float => $this->value($backdrop, $coverage));
    }

    /** @return string 65 536 bytes, at coverage << 8 | backdrop */
    public function whole(): string
    {
        if ($this->whole === null) {
            $this->whole = '';
            for ($coverage = 0; $coverage < 256; $coverage++) {
                $this->whole .= $this->at($coverage);
            }
        }

        return $this->whole;
    }

    private function value(int $backdrop, int $coverage): float
    {
        $alpha = $coverage * $this->opacity / 255;

        return $this->plus === null
            ? $backdrop + ($this->blended[$backdrop] - $backdrop) * $alpha
            : min(255.0, $backdrop + $this->plus * $alpha);
    }
}
