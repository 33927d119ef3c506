<?php

declare(strict_types=1);

return [
    // App\People\KeyedHasher: Argon2id, with a secret of this server.
    'driver' => 'keyed',

    // What was hashed before in another way is known still.
    'bcrypt' => ['verify' => false],
    // OWASP's password storage cheat sheet: at least 19 MiB, two passes.
    'argon' => ['memory' => 65_536, 'time' => 3, 'threads' => 1, 'verify' => false],
];
