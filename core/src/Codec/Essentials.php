<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/**
 * A copy of an image file with nothing in it but the picture: text, thumbnails and further frames can be bombs, and
 * decoders unpack them whether anybody wants them or not.
 */
final class Essentials
{
    /** PNG chunks that say something of the pixels; the specification's names. */
    private const PNG_CHUNKS = [
        'IHDR',
        'PLTE',
        'IDAT',
        'IEND',
        'tRNS',
        'cHRM',
        'gAMA',
        'iCCP',
        'sBIT',
        'sRGB',
        'pHYs',
        'eXIf',
    ];

    /** What a profile or an orientation needs at most, packed. */
    private const LARGEST_SIDE_CHUNK = 1_500_000;

    private const COPY = 1 << 20;

    /** @return ?string a new temporary file; null when the file may be read as it is */
    public static function of(string $path, string $kind): ?string
    {
        return match ($kind) {
            'png' => self::png($path),
            'webp' => self::webp($path),
            default => null,
        };
    }

    private static function png(string $path): string
    {
        $in = fopen($path, 'r') ?: throw new UnreadableImage('The file could not be opened. Send it again.');
        $target = (string) tempnam(sys_get_temp_dir(), 'awning');
        $out =
            fopen($target, 'w') ?:
            throw new UnreadableImage('There is no room to open the image. Free some and try again.');
        fwrite($out, (string) fread($in, 8));
        while (strlen($head = (string) fread($in, 8)) === 8) {
            /** @var array{length: int} $said */
            $said = unpack('Nlength', $head);
            $type = substr($head, 4);
            $isLarge = $said['length'] > self::LARGEST_SIDE_CHUNK && ! in_array($type, ['IDAT', 'PLTE'], true);
            if (in_array($type, self::PNG_CHUNKS, true) && ! $isLarge) {
                fwrite($out, $head);
                stream_copy_to_stream($in, $out, $said['length'] + 4);
            } else {
                fseek($in, $said['length'] + 4, SEEK_CUR);
            }
            if ($type === 'IEND') {
                break;
            }
        }
        fclose($in);
        fclose($out);

        return $target;
    }

    /** The first frame of a moving WebP as a still one. */
    private static function webp(string $path): ?string
    {
        $file = new FileBytes($path);
        $isMoving = $file->at(12, 4) === 'VP8X' && ($file->number(20, 1) & 2) !== 0;
        if (! $isMoving) {
            return null;
        }
        for ($at = 12; $at + 8 <= $file->size; $at += 8 + $length + ($length & 1)) {
            $length = $file->number($at + 4, 4, true);
            if ($file->at($at, 4) === 'ANMF') {
                return self::still($file, $at + 8, min($length, $file->size - $at - 8));
            }
        }
        throw new UnreadableImage(
            'The moving image has no frames. Save the one you want as a still image and send it again.',
        );
    }

    /** @param  int  $at  where the frame's own fields begin: 16 bytes, then its chunks */
    private static function still(FileBytes $file, int $at, int $length): string
    {
        $chunks = '';
        for ($from = $at + 16; $from + 8 <= $at + $length; $from += 8 + $size + ($size & 1)) {
            $size = $file->number($from + 4, 4, true);
            if (in_array($file->at($from, 4), ['VP8 ', 'VP8L', 'ALPH'], true)) {
                $chunks .= $file->at($from, 8);
                for ($done = 0; $done < $size + ($size & 1); $done += self::COPY) {
                    $chunks .= $file->at($from + 8 + $done, min(self::COPY, $size + ($size & 1) - $done));
                }
            }
        }
        // Alpha apart from the colours needs the extended head (flag 16), with the frame's own size.
        $head = str_starts_with($chunks, 'ALPH') ? 'VP8X'.pack('V', 10)."\x10\0\0\0".$file->at($at + 6, 6) : '';
        $target = (string) tempnam(sys_get_temp_dir(), 'awning');
        file_put_contents($target, 'RIFF'.pack('V', 4 + strlen($head.$chunks)).'WEBP'.$head.$chunks);

        return $target;
    }
}
