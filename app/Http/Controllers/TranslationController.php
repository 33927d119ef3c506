<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Captions\TranslateCaptions;
use App\Models\Lesson;
use App\OperationRejected;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use OpenReel\Core\Captions\CaptionLanguage;

/** Captions in another language. */
final class TranslationController
{
    private const MOST_BYTES = 2 * 1024 * 1024;

    public function __construct(private readonly TranslateCaptions $translate)
    {
    }

    public function update(Request $request, Lesson $lesson, string $language): Response
    {
        $said = $request->validate(self::rules(), ['*' => 'Say which caption, and how it reads in the other language.']);
        $this->set($lesson, self::known($language), $said);

        return response()->noContent();
    }

    /** Several at once: what they said before a file was brought in. */
    public function undo(Request $request, Lesson $lesson, string $language): Response
    {
        $rules = ['texts' => ['present', 'array', 'max:5000']];
        foreach (self::rules() as $name => $rule) {
            $rules["texts.*.{$name}"] = $rule;
        }
        $said = $request->validate($rules, ['*' => 'Say which captions, and how they read in the other language.']);
        foreach ($said['texts'] as $one) {
            $this->set($lesson, self::known($language), $one);
        }

        return response()->noContent();
    }

    public function bringIn(Request $request, Lesson $lesson, string $language): JsonResponse
    {
        $file = $request->file('file');
        if (! ($file instanceof UploadedFile) || ! $file->isValid() || $file->getSize() > self::MOST_BYTES) {
            throw OperationRejected::badInput('No captions arrived. Choose a WebVTT or SubRip file of at most 2 MB.');
        }

        return new JsonResponse(
            $this->translate->bringIn($lesson, self::known($language), (string) file_get_contents($file->getPathname())),
        );
    }

    /** @param  array<string, mixed>  $said */
    private function set(Lesson $lesson, string $language, array $said): void
    {
        $text = (string) ($said['text'] ?? '');
        $this->translate->set($lesson, $language, $said['line'], (int) $said['word'], $said['was'], $text);
    }

    private static function known(string $language): string
    {
        return isset(CaptionLanguage::NAMES[$language]) ? $language : throw OperationRejected::badInput('That language is not offered.');
    }

    /** @return array<string, list<string>> */
    private static function rules(): array
    {
        return [
            'line' => ['required', 'string', 'max:26'],
            'word' => ['required', 'integer', 'between:0,10000'],
            'was' => ['required', 'string', 'max:4000'],
            'text' => ['nullable', 'string', 'max:400'],
        ];
    }
}
