<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Script\CheckReadiness;
use App\Actions\Script\ProposeTies;
use App\Actions\Script\SaveScript;
use App\Http\Requests\ScriptFileRequest;
use App\Http\Requests\UpdateScriptRequest;
use App\Http\Resources\ScriptResource;
use App\Http\Resources\TieResource;
use App\Media\ScriptReader;
use App\Models\Lesson;
use Illuminate\Http\JsonResponse;
use OpenReel\Core\Kernel\FileName;
use OpenReel\Core\Script\Script;
use Symfony\Component\HttpFoundation\Response;

/** The script as one text. */
final class ScriptController
{
    public function show(Lesson $lesson): ScriptResource
    {
        return new ScriptResource($lesson);
    }

    public function update(UpdateScriptRequest $request, Lesson $lesson, SaveScript $save): ScriptResource
    {
        return new ScriptResource($save($lesson, self::script((string) $request->input('text')), $request->integer('revision')));
    }

    /** Pages count places with line ends of one character, so that is what is kept. */
    private static function script(string $text): Script
    {
        return Script::parse(str_replace(["\r\n", "\r"], "\n", $text));
    }

    /** A file's words as a script's text, for the page to put in, and the title they have, if any; nothing is saved. */
    public function read(ScriptFileRequest $request, ScriptReader $reader): JsonResponse
    {
        $file = $request->upload();

        $text = $reader->read($file->getPathname(), $file->getClientOriginalName());

        return new JsonResponse(['text' => $text, 'title' => Script::parse($text)->title]);
    }

    /** The script as a file. */
    public function file(Lesson $lesson): Response
    {
        $name = FileName::of($lesson->title, 'md');
        $response = new Response($lesson->script, 200, ['Content-Type' => 'text/markdown; charset=UTF-8']);
        $response->headers->set('Content-Disposition', $response->headers->makeDisposition('attachment', $name, 'script.md'));

        return $response;
    }

    public function ready(Lesson $lesson, CheckReadiness $readiness): JsonResponse
    {
        return new JsonResponse($readiness($lesson));
    }

    public function ties(Lesson $lesson, ProposeTies $propose): JsonResponse
    {
        return new JsonResponse(array_map(fn (array $tie): array => (new TieResource($tie))->toArray(), $propose($lesson)));
    }
}
