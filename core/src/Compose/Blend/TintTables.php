<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\BlendMode;
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

    /** @var ?list<int> what comes of every backdrop at every coverage: the rows by backdrop, one after the other */
    private ?array $all = null;

    /** @var array<int, string> by coverage: backdrop to result */
    private array $byCoverage = [];

    /** @var array<int, string> by backdrop: coverage to result */
    private array $byBackdrop = [];

    /** @var array<int, float> what full alpha makes of each backdrop, in steps of 255; plus-lighter is cut off last */
    private array $blended = [];

    public function __construct(BlendMode $mode, int $source, private readonly float $opacity)
    {
        for ($b = 0; $b < 256; $b++) {
            $this->blended[] =
                $mode === BlendMode::PlusLighter
                    ? (float) ($b + $source)
                    : 255 * Blending::channel($mode, $b / 255, $source / 255);
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
        $this->all ??= self::numbers(implode('', array_map($this->over(...), range(0, 255))));
        $eights = strlen($backdrops) & ~7;

        return self::lookedUp($this->all, substr($backdrops, 0, $eights), $coverage).
            $this->computed(substr($backdrops, $eights), substr($coverage, $eights));
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

    /** @return list<int> */
    private static function numbers(string $bytes): array
    {
        $numbers = [];
        for ($i = 0, $count = strlen($bytes); $i < $count; $i++) {
            $numbers[] = ord($bytes[$i]);
        }

        return $numbers;
    }

    /**
     * Eight pixels are taken as one number, which is half the time of one after the other.
     *
     * @param  list<int>  $all  the rows by backdrop, one after the other
     * @param  string  $backdrops  a multiple of eight
     * @param  string  $coverage  as long or longer
     */
    private static function lookedUp(array $all, string $backdrops, string $coverage): string
    {
        /** @var array<int, int> $bs */
        $bs = unpack('J*', $backdrops);
        /** @var array<int, int> $cs */
        $cs = unpack('J*', $coverage);
        $out = [];
        foreach ($bs as $i => $b) {
            $c = $cs[$i];
            $out[] =
                ($all[(($b >> 48) & 0xFF00) | (($c >> 56) & 255)] << 56) |
                ($all[(($b >> 40) & 0xFF00) | (($c >> 48) & 255)] << 48) |
                ($all[(($b >> 32) & 0xFF00) | (($c >> 40) & 255)] << 40) |
                ($all[(($b >> 24) & 0xFF00) | (($c >> 32) & 255)] << 32) |
                ($all[(($b >> 16) & 0xFF00) | (($c >> 24) & 255)] << 24) |
                ($all[(($b >> 8) & 0xFF00) | (($c >> 16) & 255)] << 16) |
                ($all[($b & 0xFF00) | (($c >> 8) & 255)] << 8) |
                $all[(($b << 8) & 0xFF00) | ($c & 255)];
        }

        return pack('J*', ...$out);
    }
}
