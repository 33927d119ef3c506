<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Actions\Lessons\CountChange;
use App\Actions\People\Notify;
use App\Models\Comment;
use App\Models\Publication;
use App\OperationRejected;
use App\Queries\Film\FilmTranscript;
use OpenReel\Core\Captions\TimedLine;
use OpenReel\Core\Captions\TimedLines;
use OpenReel\Core\Kernel\Tick;

/** Keeps what a viewer says of a moment, with the line that is said there: that stays when times become others. */
final class PostComment
{
    /** So many in an hour, or not done yet, and what comes then is shown once somebody has looked at it. */
    private const MOST_AN_HOUR = 60;

    private const MOST_OPEN = 500;

    /** And so many that wait are enough to see that somebody is playing tricks. */
    private const MOST_HELD = 2000;

    public function __construct(private readonly FilmTranscript $said, private readonly Notify $notify)
    {
    }

    /**
     * @param  string|null  $answers  id of a comment of the same film
     *
     * @throws OperationRejected
     */
    public function __invoke(Publication $publication, string $name, string $text, int $milliseconds, ?string $answers): Comment
    {
        $isHeld = $this->isHeld($publication);
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
            $line = TimedLines::at(array_map(TimedLine::parse(...), $this->said->of($version->export)['lines']), $milliseconds);
            $place = [
                'at_ms' => $milliseconds, 'section_id' => $line?->section, 'line_id' => $line?->line,
                'line_text' => $line->text ?? '',
            ];
        }
        /** @var Comment $comment */
        $comment = $publication->comments()->create($place + [
            'answers' => $answers, 'version' => $version->number, 'name' => $name, 'text' => $text,
            'held_at' => $isHeld ? now() : null,
        ]);

        CountChange::of($publication->lesson);
        $this->tell($publication, $comment);

        return $comment;
    }

    /** @throws OperationRejected when even those that wait are too many */
    private function isHeld(Publication $publication): bool
    {
        $held = Comment::query()->where('publication_id', $publication->id)->whereNotNull('held_at')->count();
        if ($held >= self::MOST_HELD) {
            throw OperationRejected::conflict('Too many comments came here at once. Please come back later.');
        }

        return $publication->comments()->where('created_at', '>', now()->subHour())->count() >= self::MOST_AN_HOUR
            || $publication->comments()->whereNull('done_at')->count() >= self::MOST_OPEN;
    }

    private function tell(Publication $publication, Comment $comment): void
    {
        $title = $publication->lesson->title;
        if ($comment->held_at === null) {
            $minutes = Tick::ofMilliseconds($comment->at_ms)->clock();
            $this->notify->members(
                $publication->lesson, "{$comment->name} says of {$title} at {$minutes}: {$comment->text}", 'people',
            );
        } elseif (Comment::query()->where('publication_id', $publication->id)->whereNotNull('held_at')->count() === 1) {
            $this->notify->members(
                $publication->lesson,
                "Very many comments came on {$title} at once. The newest wait until you have looked.",
                'handover',
            );
        }
    }
}
