<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\AlignTake;
use App\Models\Take;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\AlignmentStatus;

/** A take is copied from one lesson to another. */
final class CopyTakeTest extends FeatureTestCase
{
    public function test_a_take_of_another_lesson_is_heard_against_the_words_here_and_stays_there(): void
    {
        $says = [['So leave a margin under your keel.', 1.0, 0.8], ['High water is at a quarter past seven.', 1.0, 0.8]];
        $there = $this->section();
        $original = $this->keep($this->record($there, Stumbling::take('copied', $says)[0], kind: 'microphone'));
        $here = $this->section();
        self::assertNotSame($there->lesson_id, $here->lesson_id);
        $this->patchJson("/api/sections/{$here->id}", ['script' => 'High water is at a quarter past seven.'])->assertOk();

        $id = $this->postJson("/api/sections/{$here->id}/takes/copy", ['take' => $original->id])
            ->assertCreated()
            ->json('id');
        $copy = Take::query()->findOrFail($id);
        self::assertSame([$here->id, 1, 'undecided'], [$copy->section_id, $copy->number, $copy->verdict->value]);
        $track = $copy->track(TrackKind::Microphone);
        self::assertStringContainsString($copy->id, (string) $track?->file_path);
        self::assertSame($original->track(TrackKind::Microphone)?->hash, $this->media()->hash((string) $track?->file_path));
        $this->get("/api/takes/{$id}/media")->assertOk();
        $this->get("/api/takes/{$id}/wave")->assertOk();

        app(AlignTake::class)($copy);
        self::assertSame(AlignmentStatus::Sure, $copy->refresh()->summary->alignment);
        self::assertCount(1, $copy->summary->spoken ?? []);
        // The line that is not written here is no part of it.
        self::assertGreaterThan(2.0, $copy->summary->speech_from / 48_000);

        // The original may go.
        $this->media()->deleteFolder($original->folder());
        $this->get("/api/takes/{$id}/media")->assertOk();
    }

    public function test_what_cannot_be_copied_is_refused(): void
    {
        $section = $this->section();
        $this->postJson("/api/sections/{$section->id}/takes/copy", [])->assertStatus(422);
        $this->postJson("/api/sections/{$section->id}/takes/copy", ['take' => 'gone'])
            ->assertStatus(422)
            ->assertJson(['detail' => 'This take is not there any more.']);
        $recording = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ]);
        $this->postJson("/api/sections/{$section->id}/takes/copy", ['take' => $recording->json('id')])->assertStatus(409);
        self::assertSame(1, Take::query()->count());
    }
}
