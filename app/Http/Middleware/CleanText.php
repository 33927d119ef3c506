<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;
use OpenReel\Core\Kernel\PlainText;

/** Characters that no text needs are taken out on the way in, wherever they stand. */
final class CleanText extends TransformsRequest
{
    /**
     * @param  string  $key
     * @param  mixed  $value
     */
    protected function transform($key, $value): mixed
    {
        return is_string($value) ? PlainText::of($value) : $value;
    }
}
