<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class ScriptFileRequest extends FileRequest
{
    protected const MISSING = 'No file arrived. Choose a script of at most 20 MB.';
}
