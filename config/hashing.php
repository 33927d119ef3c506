<?php

declare(strict_types=1);

return [
    'driver' => 'argon2id',

    // What was hashed before in another way is known still.
    'bcrypt' => ['verify' => false],
    // OWASP's password storage cheat sheet: at least 19 MiB, two passes.
    'argon' => ['memory' => 65_536, 'time' => 3, 'threads' => 1, 'verify' => false],
];
