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
    /** Pixels from which on it pays to have all results at hand. */
    private const WORTH_A_TABLE = 65536;

    private int $asked = 0;

    /** What comes of every backdrop at every coverage: the rows by backdrop, one after the other. */
    private ?string $all = null;

    /** @var array<int, string> by coverage: backdrop to result */
    private array $byCoverage = [];

    /** @var array<int, string> by backdrop: coverage to result */
    private array $byBackdrop = [];

    /** @var array<int, float> what full alpha makes of each backdrop, in steps of 255; plus-lighter is cut off last */
    private array $blended = [];

    public function __construct(BlendMode $mode, int $source, private readonly float $opacity)
    {
        for ($b = 0; $b < 256; $b++) {
            $this->blended[] = $mode === BlendMode::PlusLighter ? (float) ($b + $source) : 255 * Blending::channel($mode, $b / 255, $source / 255);
        }
    }

    /** @return string 256 bytes: backdrop to result at this coverage */
    public function at(int $coverage): string
    {
        return $this->byCoverage[$coverage] ??= $this->computed(Bytes::identity(), str_repeat(chr($coverage), 256));
    }

    /** @return string 256 bytes: coverage to result over this backdrop */
    public function over(int $backdrop): string
    {
        return $this->byBackdrop[$backdrop] ??= $this->computed(str_repeat(chr($backdrop), 256), Bytes::identity());
    }

    /**
     * Where both vary: pixel by pixel.
     *
     * @param  string  $backdrops  the result takes their place
     * @param  string  $coverage  as long
     */
    public function along(string $backdrops, string $coverage): string
    {
        $this->asked += strlen($backdrops);

        if ($this->asked < self::WORTH_A_TABLE) {
            return $this->computed($backdrops, $coverage);
        }
        $this->all ??= implode('', array_map($this->over(...), range(0, 255)));

        return self::lookedUp($this->all, $backdrops, $coverage);
    }

    private function computed(string $backdrops, string $coverage): string
    {
        $blended = $this->blended;
        $scale = $this->opacity / 255;
        for ($i = 0, $count = strlen($backdrops); $i < $count; $i++) {
            $b = ord($backdrops[$i]);
            $value = (int) ($b + ($blended[$b] - $b) * ord($coverage[$i]) * $scale + 0.5);
            $backdrops[$i] = chr($value > 255 ? 255 : $value);
        }

        return $backdrops;
    }

    /** @param  string  $all  the rows by backdrop, one after the other */
    private static function lookedUp(string $all, string $backdrops, string $coverage): string
    {
        for ($i = 0, $count = strlen($backdrops); $i < $count; $i++) {
            $backdrops[$i] = $all[ord($backdrops[$i]) << 8 | ord($coverage[$i])];
        }

        return $backdrops;
    }
}
