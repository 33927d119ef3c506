<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A file of somebody's: that one arrived is asked here, what is in it by whoever reads it. */
abstract class FileRequest extends FormRequest
{
    /** What is said when none arrived: which kinds there are, and how large they may be. */
    protected const MISSING = '';

    /** Kilobytes; null: whoever reads it limits it. */
    protected const MOST_KILOBYTES = null;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['file' => ['required', 'file', ...static::MOST_KILOBYTES === null ? [] : ['max:'.static::MOST_KILOBYTES]]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => static::MISSING];
    }

    public function upload(): UploadedFile
    {
        $file = $this->file('file');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The rules ask for one file.');
    }
}
