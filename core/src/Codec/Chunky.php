<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/** Interleaving of separate planes into pixels (rgbrgb...), at C speed. */
final class Chunky
{
    /**
     * @param  list<string>  $planes  of one length
     */
    public static function join(array $planes): string
    {
        // UTF-16/32 converters would mangle surrogates; the wide "or" of padded planes has no such holes. Each plane is
        // spread to its place in the pixel by str_split and implode, band by band to bound the arrays.
        $count = count($planes);
        $length = strlen($planes[0]);
        $out = '';
        for ($at = 0; $at < $length; $at += 65536) {
            $band = '';
            foreach ($planes as $index => $plane) {
                $part = substr($plane, $at, 65536);
                $spread =
                    str_repeat("\0", $index).
                    implode(str_repeat("\0", $count - 1), str_split($part)).
                    str_repeat("\0", $count - 1 - $index);
                $band = $index === 0 ? $spread : $band | $spread;
            }
            $out .= $band;
        }

        return $out;
    }
}
