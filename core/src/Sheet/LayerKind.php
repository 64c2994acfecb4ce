<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** What a layer holds, told by its name: "scan", "ink", "flats", "pass:ID" (coverage) or "paint:ID". */
enum LayerKind: string
{
    case Coverage = 'coverage';
    case Labels = 'labels';
    case Paint = 'paint';

    public static function of(string $layer): self
    {
        return match (true) {
            $layer === Sheet::FLATS => self::Labels,
            str_starts_with($layer, 'paint:') => self::Paint,
            default => self::Coverage,
        };
    }

    public function bytesPerPixel(): int
    {
        return match ($this) {
            self::Coverage => 1,
            self::Labels => 2,
            self::Paint => 4,
        };
    }
}
