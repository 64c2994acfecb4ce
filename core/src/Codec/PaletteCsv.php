<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Colour\Rgb;

/** Reads colours from comma-separated text (RFC 4180): the first field of each record that is a colour counts. */
final class PaletteCsv
{
    /**
     * @return non-empty-list<Rgb>
     *
     * @throws \InvalidArgumentException when there is no colour in it
     */
    public function read(string $path): array
    {
        $file = is_file($path) && filesize($path) < 1_000_000 ? fopen($path, 'r') : false;
        if ($file === false) {
            throw new \InvalidArgumentException("The palette $path could not be opened. Give a CSV file of less than a megabyte.");
        }
        $colours = [];
        while (($record = fgetcsv($file, escape: '')) !== false) {
            foreach ($record as $field) {
                if (is_string($field) && preg_match('/^\s*#?[0-9a-f]{6}\s*$/i', $field) === 1) {
                    $colours[] = Rgb::fromHex(trim($field));
                    break;
                }
            }
        }
        fclose($file);

        return $colours !== [] ? $colours : throw new \InvalidArgumentException("The palette $path holds no colour. Write one a line, like: skin,#c98d6b");
    }
}
