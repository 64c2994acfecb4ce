<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/** Builds the ICC profile (version 4, ICC.1:2010) of sRGB: primaries adapted to D50 and the IEC 61966-2-1 curve. */
final class SrgbProfile
{
    private static ?string $bytes = null;

    public static function bytes(): string
    {
        return self::$bytes ??= self::build();
    }

    private static function build(): string
    {
        $xyz = fn (float ...$values): string => "XYZ \0\0\0\0".implode('', array_map(self::fixed(...), $values));
        $text = function (string $words): string {
            $utf16 = (string) mb_convert_encoding($words, 'UTF-16BE', 'UTF-8');

            return "mluc\0\0\0\0".pack('NN', 1, 12).'enUS'.pack('NN', strlen($utf16), 28).$utf16;
        };
        $curve =
            "para\0\0\0\0".
            pack('nn', 3, 0).
            implode('', array_map(self::fixed(...), [2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045]));
        $tags = [
            'desc' => $text('sRGB'),
            'cprt' => $text('No copyright, use freely'),
            'wtpt' => $xyz(0.9642, 1.0, 0.8249),
            'rXYZ' => $xyz(0.43607, 0.22249, 0.01392),
            'gXYZ' => $xyz(0.38515, 0.71687, 0.09708),
            'bXYZ' => $xyz(0.14307, 0.06061, 0.7141),
            'rTRC' => $curve,
            'gTRC' => $curve,
            'bTRC' => $curve,
        ];
        $table = pack('N', count($tags));
        $body = '';
        $offset = 128 + 4 + 12 * count($tags);
        foreach ($tags as $name => $data) {
            $data .= str_repeat("\0", -strlen($data) & 3);
            $table .= $name.pack('NN', $offset + strlen($body), strlen($data));
            $body .= $data;
        }
        $header =
            pack('N', $offset + strlen($body)).
            "\0\0\0\0".
            "\x04\x20\0\0".
            'mntrRGB XYZ '.
            pack('n6', 2026, 1, 1, 0, 0, 0).
            'acsp'.
            str_repeat("\0", 28).
            self::fixed(0.9642).
            self::fixed(1.0).
            self::fixed(0.8249);

        return str_pad($header, 128, "\0").$table.$body;
    }

    private static function fixed(float $value): string
    {
        return pack('N', (int) round($value * 65536) & 0xFFFFFFFF);
    }
}
