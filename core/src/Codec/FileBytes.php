<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/** A file read in small parts, whatever its size: what headers need, never the whole. */
final class FileBytes
{
    /** @var resource */
    private $file;

    public readonly int $size;

    private int $at = 0;

    private string $part = '';

    /** @throws UnreadableImage */
    public function __construct(string $path)
    {
        $file = is_file($path) ? @fopen($path, 'r') : false;
        if ($file === false) {
            throw new UnreadableImage('The file could not be opened. Send it again.');
        }
        $this->file = $file;
        $this->size = (int) (fstat($file)['size'] ?? 0);
    }

    public function __destruct()
    {
        fclose($this->file);
    }

    /** Bytes from a place; fewer where the file ends. */
    public function at(int $from, int $length): string
    {
        if ($from < 0 || $length <= 0) {
            return '';
        }
        if ($from < $this->at || $from + $length > $this->at + strlen($this->part)) {
            fseek($this->file, $from);
            $this->at = $from;
            $this->part = (string) fread($this->file, max($length, 4096));
        }

        return substr($this->part, $from - $this->at, $length);
    }

    /** A number of 1 to 8 bytes, never below 0; 0 where the file has ended. */
    public function number(int $from, int $length, bool $lowFirst = false): int
    {
        $bytes = $this->at($from, $length);
        if (strlen($bytes) < $length) {
            return 0;
        }
        $number = 0;
        foreach (str_split($lowFirst ? strrev($bytes) : $bytes) as $byte) {
            $number = $number << 8 | ord($byte);
        }

        return max(0, $number);
    }
}
