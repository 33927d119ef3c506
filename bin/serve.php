<?php

declare(strict_types=1);

/**
 * Router for PHP's built-in server: files under public/ are served as they are, everything else goes to the application.
 */
$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
// No name of anything here has them, and what looks for files does not take them.
if (preg_match('/[\x00-\x1f\x7f]/', $path) === 1) {
    http_response_code(400);
    header('Content-Type: text/plain; charset=UTF-8');
    echo "There is no such address.\n";

    return true;
}
$public = realpath(__DIR__.'/../public');
$file = realpath($public.$path);

if ($file !== false && is_file($file) && str_starts_with($file, $public.DIRECTORY_SEPARATOR) && ! str_ends_with($file, '.php')) {
    return false;
}

require $public.'/index.php';
