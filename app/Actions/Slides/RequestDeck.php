<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Events\DeckUploaded;
use App\Media\MediaStore;
use App\Media\StageClipReader;
use App\Models\Deck;
use App\Models\Lesson;
use App\Models\WorkState;
use App\OperationRejected;
use Illuminate\Support\Str;
use OpenReel\Core\Kernel\PlainText;

/** Takes in a file of slides and has its pages drawn in the background; a drawing or a short film is made one slide there. */
final class RequestDeck
{
    public const KINDS = ['pdf', 'pptx', 'odp', 'ppt'];

    /** What becomes one slide, and takes a while to. */
    public const SINGLE = ['svg', ...StageClipReader::KINDS];

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  string  $purpose  `add` or `replace`
     * @param  array<string, mixed>  $for  of a single slide: `fill` and `section` (see FillSlides), or the `slide` it is for
     *
     * @throws OperationRejected
     */
    public function __invoke(Lesson $lesson, string $file, string $name, string $purpose, array $for = []): Deck
    {
        $name = mb_substr(PlainText::row($name), 0, 200);
        $kind = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        $bytes = (int) @filesize($file);
        if ($bytes === 0) {
            throw OperationRejected::badInput("\"{$name}\" is empty.");
        }
        if ($bytes > config('reel.limits.deck_bytes')) {
            throw OperationRejected::badInput("\"{$name}\" is larger than 200 MB. Save it with smaller pictures and try again.");
        }
        if ($kind === 'ppt') {
            throw OperationRejected::badInput("\"{$name}\" is an old presentation file. Save it as .pptx, .odp or PDF and try again.");
        }
        if ($kind === 'svg' && $bytes > config('reel.limits.slide_bytes')) {
            throw OperationRejected::badInput("\"{$name}\" is larger than 20 MB. Save it smaller and try again.");
        }
        $this->media->mustHaveRoomFor(2 * $bytes, 'the slides');
        $id = strtolower((string) Str::ulid());
        $path = "lessons/{$lesson->id}/decks/{$id}.{$kind}";
        $this->media->commit($this->media->copied($file, $kind), $path);
        $deck = $lesson
            ->decks()
            ->create([
                'id' => $id, 'name' => $name, 'path' => $path, 'purpose' => $purpose, 'state' => WorkState::Waiting,
                'report' => $for,
            ]);
        DeckUploaded::dispatch($deck->id);

        return $deck->refresh();
    }
}
