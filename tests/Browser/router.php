<?php

declare(strict_types=1);

/* For PHP's own web server: files that are there, and everything else to the application. */
$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
if ($path !== '/' && is_file(__DIR__.'/../../public'.$path)) {
    return false;
}
// A test may ask for trouble: a gateway that has lost the application, or an answer that does not arrive.
[$trouble, $where] = explode(' ', (string) @file_get_contents((string) getenv('AWNING_TROUBLE')), 2) + ['', ''];
if ($trouble !== '' && preg_match($where, $path) === 1) {
    if ($trouble === 'lost') {
        ob_start(fn (string $body): string => '');
    } else {
        http_response_code((int) $trouble);

        return true;
    }
}
require __DIR__.'/../../public/index.php';
