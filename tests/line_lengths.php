<?php

declare(strict_types=1);

/*
 * Says which lines of PHP are longer than 120 characters. A line that holds part of a long text may be: a script for
 * another program, a message, a file. Ends with 1 when there are any.
 *
 *   php tests/line_lengths.php
 */

const LONGEST = 120;
/** Characters from which on a text is long. */
const LONG_TEXT = 40;

const TEXTS = [T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE, T_INLINE_HTML];

/** @return array<int, int> how many characters of text each line holds, or the text that runs over it */
function texts(string $source): array
{
    $lines = [];
    foreach (token_get_all($source) as $token) {
        if (is_array($token) && in_array($token[0], TEXTS, true)) {
            foreach (range($token[2], $token[2] + substr_count($token[1], "\n")) as $line) {
                $lines[$line] = ($lines[$line] ?? 0) + mb_strlen($token[1]);
            }
        }
    }

    return $lines;
}

chdir(dirname(__DIR__));
$found = 0;
foreach (['app', 'bench', 'config', 'core', 'database', 'docs', 'routes', 'tests'] as $folder) {
    $files = new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS);
    foreach (new RecursiveIteratorIterator($files) as $file) {
        if (! $file instanceof SplFileInfo || $file->getExtension() !== 'php') {
            continue;
        }
        $source = (string) file_get_contents($file->getPathname());
        $texts = null;
        foreach (explode("\n", $source) as $i => $line) {
            if (mb_strlen($line) > LONGEST && (($texts ??= texts($source))[$i + 1] ?? 0) < LONG_TEXT) {
                printf("%s:%d has %d characters.\n", $file->getPathname(), $i + 1, mb_strlen($line));
                $found++;
            }
        }
    }
}
exit($found > 0 ? 1 : 0);
