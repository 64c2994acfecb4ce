<?php

declare(strict_types=1);

/**
 * Puts a section of docs/gestures.md in place of the one with that heading, or at the end; what else is in there stays.
 */
function keep_section(string $heading, string $text): void
{
    $file = __DIR__.'/../docs/gestures.md';
    $sections = preg_split('/^(?=## )/m', (string) file_get_contents($file)) ?: [];
    $section = "## $heading\n\n".trim($text)."\n\n";
    $at =
        array_keys(array_filter($sections, fn (string $one): bool => str_starts_with($one, "## $heading\n")))[0] ??
        count($sections);
    $sections[$at] = $section;
    file_put_contents(
        $file,
        rtrim(implode('', array_map(fn (string $one): string => rtrim($one)."\n\n", $sections)))."\n",
    );
}
