<?php

declare(strict_types=1);

// Addresses of proxies, parted by commas, that are believed who asks and whether by HTTPS.
return ['proxies' => env('REEL_PROXIES')];
