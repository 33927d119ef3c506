<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Film\RequestExport;
use App\Models\Lesson;

/** How far a lesson is, as the shelf shows it. */
final class GlanceTest extends FeatureTestCase
{
    public function test_a_lesson_without_words_wants_some(): void
    {
        $lesson = Lesson::factory()->create();
        self::assertSame(['room' => 'script', 'section' => null, 'says' => 'Write the script'], $this->glance($lesson)['next']);
        self::assertSame('none', $this->glance($lesson)['film']);
    }

    public function test_it_goes_from_section_to_section_and_then_to_the_film(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $text = "# Tides\n\n## One\n\n[card: opening, 2 s]\n\n## Two\n\nThe water falls.\n\n## Three\n\nThen it rises.\n";
        $this->putScript($lesson, $text);
        [$card, $two, $three] = $lesson->sections()->get()->all();
        $says = fn (): string => $this->glance($lesson)['next']['says'];
        self::assertSame('Record section 2', $says());

        $takes = array_map(fn ($section) => $this->record($section, Clips::spoken()), [$two, $three]);
        self::assertSame('Review section 2', $says());
        self::assertSame($two->id, $this->glance($lesson)['next']['section']);
        array_map($this->keep(...), $takes);
        $glance = $this->glance($lesson);
        self::assertSame([$card->id, $two->id, $three->id], array_column($glance['sections'], 'id'));
        self::assertSame(['filled', 'filled', 'filled'], array_column($glance['sections'], 'fill'));
        self::assertSame(2000, $glance['sections'][0]['length_ms']);
        self::assertSame(['Finish', 'none'], [$glance['next']['says'], $glance['film']]);

        $waits = RequestExport::row($lesson);
        self::assertSame('making', $this->glance($lesson)['film']);
        $waits->delete();
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertAccepted();
        self::assertSame(['Hand over', 'up to date'], [$says(), $this->glance($lesson)['film']]);
        $this->putScript($lesson, str_replace('2 s]', '3 s]', $text));
        self::assertSame(['Export again', 'out of date'], [$says(), $this->glance($lesson)['film']]);
    }

    private function putScript(Lesson $lesson, string $text): void
    {
        $revision = $lesson->refresh()->revision;
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $revision])->assertOk();
    }

    /** @return array<string, mixed> */
    private function glance(Lesson $lesson): array
    {
        return (array) $this->getJson("/api/lessons/{$lesson->id}/glance")->assertOk()->json();
    }
}
