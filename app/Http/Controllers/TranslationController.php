<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Captions\TranslateCaptions;
use App\Http\Requests\CaptionFileRequest;
use App\Http\Requests\TranslationRequest;
use App\Http\Requests\TranslationsRequest;
use App\Models\Lesson;
use App\OperationRejected;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenReel\Core\Captions\CaptionLanguage;

/** Captions in another language. */
final class TranslationController
{
    public function __construct(private readonly TranslateCaptions $translate)
    {
    }

    public function update(TranslationRequest $request, Lesson $lesson, string $language): Response
    {
        $this->set($lesson, self::known($language), $request->validated());

        return response()->noContent();
    }

    /** Several at once: what they said before a file was brought in. */
    public function undo(TranslationsRequest $request, Lesson $lesson, string $language): Response
    {
        foreach ($request->validated('texts') as $one) {
            $this->set($lesson, self::known($language), $one);
        }

        return response()->noContent();
    }

    public function bringIn(CaptionFileRequest $request, Lesson $lesson, string $language): JsonResponse
    {
        $file = $request->upload();

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
}
