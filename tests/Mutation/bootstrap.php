<?php

declare(strict_types=1);

// Loads one class of the core from elsewhere: the tree itself is never changed.
$loader = require __DIR__.'/../../vendor/autoload.php';
spl_autoload_register(static function (string $class): void {
    if ($class === getenv('MUTANT_CLASS')) {
        require (string) getenv('MUTANT_FILE');
    }
}, prepend: true);

return $loader;
