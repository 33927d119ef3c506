<?php

declare(strict_types=1);

namespace App\Providers;

use App\Events;
use App\Jobs\AlignTakesJob;
use App\Jobs\ClearRecordingsJob;
use App\Jobs\DeliverFilmJob;
use App\Jobs\DrawCardsJob;
use App\Jobs\ExportLessonJob;
use App\Jobs\ImportDeckJob;
use App\Jobs\IngestTakeJob;
use App\Jobs\MakeSidecarMediaJob;
use App\Jobs\PrepareLessonJob;
use App\Jobs\ReadAloudJob;
use App\Models\Deck;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\ServiceProvider;

/** What happened, and which work in the background follows from it: actions say the one and know nothing of the other. */
final class BackgroundWorkProvider extends ServiceProvider
{
    public function boot(): void
    {
        Event::listen(fn (Events\LessonChanged $e) => dispatch(new PrepareLessonJob($e->lessonId, $e->asKept)));
        Event::listen(fn (Events\CardsChanged $e) => dispatch(new DrawCardsJob($e->lessonId, $e->frame)));
        Event::listen(fn (Events\RecordingArrived $e) => dispatch(new IngestTakeJob($e->takeId)));
        Event::listen(fn (Events\TakesWaitForAlignment $e) => dispatch(new AlignTakesJob()));
        Event::listen(fn (Events\ExportRequested $e) => dispatch(new ExportLessonJob($e->exportId)));
        Event::listen(function (Events\ExportFinished $e): void {
            dispatch(new MakeSidecarMediaJob($e->exportId));
            dispatch(new ClearRecordingsJob($e->takeIds));
        });
        Event::listen(fn (Events\DeliveryRequested $e) => dispatch(new DeliverFilmJob($e->deliveryId)));
        Event::listen(fn (Events\DeckUploaded $e) => dispatch(ImportDeckJob::of(Deck::query()->findOrFail($e->deckId))));
        Event::listen(fn (Events\ReadingRequested $e) => dispatch(new ReadAloudJob($e->sectionId)));
    }
}
