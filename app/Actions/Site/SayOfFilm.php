<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Actions\Lessons\CountChange;
use App\Actions\People\Notify;
use App\Models\Comment;
use App\Models\Publication;
use App\Readers\SaidInFilm;
use App\Refusal;
use OpenReel\Core\Captions\SpokenLines;

/** Keeps what a viewer says of a moment, with the line that is said there: that stays when times become others. */
final class SayOfFilm
{
    /** So many that are not done yet, and nobody can say more: somebody is playing tricks. */
    private const MOST_OPEN = 500;

    public function __construct(private readonly SaidInFilm $said, private readonly Notify $notify)
    {
    }

    /**
     * @param  string|null  $answers  id of a comment of the same film
     *
     * @throws Refusal
     */
    public function __invoke(Publication $publication, string $name, string $text, int $milliseconds, ?string $answers): Comment
    {
        if ($publication->comments()->whereNull('done_at')->count() >= self::MOST_OPEN) {
            throw Refusal::conflict('There are too many comments here that nobody has answered yet. Please come back later.');
        }
        $version = $publication->current();
        if ($answers !== null) {
            /** @var Comment $first */
            $first = Comment::query()
                ->where('publication_id', $publication->id)
                ->whereNull('answers')
                ->whereNull('hidden_at')
                ->where('id', $answers)
                ->firstOrFail();
            $place = $first->only(['at_ms', 'section_id', 'line_id', 'line_text']);
        } else {
            $line = SpokenLines::at($this->said->of($version->export)['lines'], $milliseconds);
            $place = [
                'at_ms' => $milliseconds, 'section_id' => $line['section'] ?? null, 'line_id' => $line['line'] ?? null,
                'line_text' => $line['text'] ?? '',
            ];
        }
        /** @var Comment $comment */
        $comment = $publication->comments()->create($place + [
            'answers' => $answers, 'version' => $version->number, 'name' => $name, 'text' => $text,
        ]);

        CountChange::of($publication->lesson);
        $minutes = sprintf('%d:%02d', intdiv($comment->at_ms, 60_000), intdiv($comment->at_ms, 1000) % 60);
        $title = $publication->lesson->title;
        $this->notify->members($publication->lesson, "{$name} says of {$title} at {$minutes}: {$text}", 'people');

        return $comment;
    }
}
