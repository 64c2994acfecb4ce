<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Store\ChildDecoder;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\UnreadableImage;
use Imagick;

/**
 * Images that were damaged, cut and crafted. Each is opened, or refused in words; none takes long, none leaves
 * anything.
 */
final readonly class Files
{
    private const SECONDS = 25;

    public function __construct(private Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(int $times): array
    {
        $seeds = $this->seeds();
        $kinds = array_keys($seeds);
        $opened = $refused = 0;
        $slowest = 0.0;
        $before = count(glob(sys_get_temp_dir().'/awning*') ?: []);
        for ($i = 0; $i < $times; $i++) {
            $kind = $kinds[$i % count($kinds)];
            $file = (string) tempnam(sys_get_temp_dir(), 'drill');
            file_put_contents($file, $this->damaged($seeds[$kind]));
            $began = microtime(true);
            try {
                $kind === 'ora'
                    ? new OpenRasterFile($file)
                    : (new ChildDecoder(1500, self::SECONDS))->read($file, fn () => null);
                $opened++;
            } catch (UnreadableImage $error) {
                $refused++;
                $error->getMessage() !== '' || $this->tally->fail('files', "$kind $i was refused without a word");
            } catch (\Throwable $error) {
                $this->tally->fail('files', "$kind $i: ".$error::class.' '.$error->getMessage());
            }
            $slowest = max($slowest, microtime(true) - $began);
            unlink($file);
        }
        $left = count(glob(sys_get_temp_dir().'/awning*') ?: []) - $before;
        if ($left > 0) {
            $this->tally->fail('files', "$left temporary files were left behind");
        }
        if ($slowest > 2 * self::SECONDS) {
            $this->tally->fail('files', sprintf('one took %.0f s', $slowest));
        }

        return [$times, sprintf('%d opened, %d refused; the slowest %.1f s', $opened, $refused, $slowest)];
    }

    /** @return array<string, string> */
    private function seeds(): array
    {
        $image = new Imagick;
        $image->newPseudoImage(90, 70, 'plasma:tan-steelblue');
        $seeds = [];
        foreach (['png', 'jpeg', 'tiff', 'webp'] as $format) {
            $image->setImageFormat($format);
            $seeds[$format] = $image->getImageBlob();
        }
        $image->setInterlaceScheme(Imagick::INTERLACE_PLANE);
        $image->setImageFormat('jpeg');
        $seeds['progressive jpeg'] = $image->getImageBlob();
        $ora = (string) tempnam(sys_get_temp_dir(), 'drill');
        $zip = new \ZipArchive;
        $zip->open($ora, \ZipArchive::OVERWRITE);
        $zip->addFromString('mimetype', 'image/openraster');
        $zip->addFromString(
            'stack.xml',
            '<?xml version="1.0" encoding="UTF-8"?><image w="90" h="70" version="0.0.6"><stack><layer '
                .'src="data/a.png" opacity="0.5"/></stack></image>',
        );
        $zip->addFromString('data/a.png', $seeds['png']);
        $zip->close();
        $seeds['ora'] = (string) file_get_contents($ora);
        unlink($ora);

        return $seeds;
    }

    private function damaged(string $bytes): string
    {
        switch (mt_rand(0, 5)) {
            case 0:
                return substr($bytes, 0, mt_rand(0, strlen($bytes)));
            case 1:
                return $bytes.random_bytes(mt_rand(1, 5000));
            case 2: // Sizes and counts live in the head.
                for ($n = mt_rand(1, 6); $n > 0; $n--) {
                    $bytes[mt_rand(0, min(120, strlen($bytes) - 1))] = chr(mt_rand(0, 255));
                }

                return $bytes;
            case 3:
                $from = mt_rand(0, strlen($bytes) - 1);

                return substr_replace($bytes, str_repeat("\xff", mt_rand(1, 64)), $from, mt_rand(0, 64));
            case 4:
                $at = mt_rand(0, strlen($bytes) - 1);

                return substr($bytes, 0, $at).
                    str_repeat(substr($bytes, $at, 200), mt_rand(2, 400)).
                    substr($bytes, $at);
            default:
                for ($n = mt_rand(1, 40); $n > 0; $n--) {
                    $bytes[mt_rand(0, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
                }

                return $bytes;
        }
    }
}
