<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Script\SaveScript;
use App\Models\Comment;
use App\Models\Export;
use App\Models\Publication;
use App\Models\Section;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Script\Script;

/** The course site: who sees a film, and what is said of it. */
final class SiteTest extends FeatureTestCase
{
    private const WORDS = ['The creek is <b>full</b> at seven.', 'At one it is a ribbon of 4.8 m.'];

    public function test_a_film_is_watched_behind_a_link_that_stays_when_the_next_version_comes(): void
    {
        $section = $this->spoken();
        $lesson = $section->lesson_id;
        $this->getJson("/api/lessons/{$lesson}/publication")->assertOk()
            ->assertExactJson(['site' => null, 'comments' => [], 'held' => 0]);
        $first = $this->export($lesson);
        $path = $this->publish($lesson, $first);

        $page = $this->get($path)->assertOk();
        $page->assertSee('The creek is &lt;b&gt;full&lt;/b&gt; at seven.', false);
        $page->assertSee('<meta property="og:title"', false);
        self::assertStringContainsString("frame-ancestors 'none'", (string) $page->headers->get('Content-Security-Policy'));
        $frame = $this->get("{$path}/embed")->assertOk();
        self::assertStringContainsString('frame-ancestors *', (string) $frame->headers->get('Content-Security-Policy'));
        $film = $this->get("{$path}/film", ['Range' => 'bytes=0-99'])->assertStatus(206);
        self::assertSame('video/mp4', $film->headers->get('Content-Type'));
        self::assertStringStartsWith('WEBVTT', $this->get("{$path}/captions.vtt")->assertOk()->streamedContent());
        $this->getJson('/oembed?url='.urlencode(url($path)))->assertOk()->assertJson(['type' => 'video', 'height' => 540]);

        $this->write($section, self::WORDS[0].' It is a ribbon at one.');
        $second = $this->export($lesson);
        self::assertSame($path, $this->publish($lesson, $second, 'The height is right now.'));
        $this->get($path)->assertSee('New in version 2: The height is right now.');
        $versions = $this->getJson("/api/lessons/{$lesson}/publication")->json('site.versions');
        self::assertSame([[2, $second], [1, $first]], array_map(
            fn (array $v): array => [$v['number'], $v['export_id']],
            $versions,
        ));
        // Asked twice, it is published once.
        $this->publish($lesson, $second);
        self::assertSame(2, Publication::query()->sole()->versions()->count());
    }

    public function test_what_cannot_be_published_is_refused(): void
    {
        $section = $this->spoken();
        $lesson = $section->lesson_id;
        $this->postJson("/api/lessons/{$lesson}/publication", [])->assertStatus(422);
        $this->postJson("/api/lessons/{$lesson}/publication", ['export_id' => 'none'])->assertNotFound();
        $this->patchJson("/api/lessons/{$lesson}/publication", ['withdrawn' => true])->assertNotFound();
        $export = Export::query()->findOrFail($this->export($lesson));
        $this->media()->delete("lessons/{$lesson}/exports/{$export->id}-lines.json");
        $this->postJson("/api/lessons/{$lesson}/publication", ['export_id' => $export->id])
            ->assertStatus(409)
            ->assertJson(['detail' => 'This film was made by an earlier Open Reel. Export the lesson again to publish it.']);
        $other = $this->section()->lesson_id;
        $this->postJson("/api/lessons/{$other}/publication", ['export_id' => $export->id])->assertNotFound();
    }

    public function test_nobody_sees_it_without_the_password_behind_its_end_or_when_it_is_withdrawn(): void
    {
        $lesson = $this->spoken()->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $this->get('/watch/'.str_repeat('x', 24))->assertNotFound();
        $this->patchJson("/api/lessons/{$lesson}/publication", ['password' => 'low water'])
            ->assertOk()
            ->assertJsonPath('site.password', true);

        $this->get($path)->assertOk()->assertSee('Password')->assertDontSee('ribbon');
        foreach (["{$path}/film", "{$path}/captions.vtt", "{$path}/comments"] as $file) {
            $this->get($file)->assertNotFound();
        }
        $this->postJson("{$path}/comments", ['name' => 'A', 'text' => 'B', 'at_ms' => 0])->assertNotFound();
        $this->getJson('/oembed?url='.urlencode(url($path)))->assertStatus(401);
        $this->post($path, ['password' => 'high water'])->assertStatus(422)->assertSee('That is not the password.');
        $cookie = $this->post($path, ['password' => 'low water'])->assertRedirect($path)->headers->getCookies()[0];
        $this->withUnencryptedCookie($cookie->getName(), (string) $cookie->getValue());
        $this->get($path)->assertOk()->assertSee('ribbon');
        // Another password makes the old pass worthless.
        $this->patchJson("/api/lessons/{$lesson}/publication", ['password' => 'slack water'])->assertOk();
        $this->get($path)->assertDontSee('ribbon');
        for ($try = 0; $try < 8; $try++) {
            $last = $this->post($path, ['password' => "guess {$try}"]);
        }
        self::assertSame(429, $last->getStatusCode());
        $this->patchJson("/api/lessons/{$lesson}/publication", ['password' => 'ebb'])->assertStatus(422);
        $this->patchJson("/api/lessons/{$lesson}/publication", ['password' => null])->assertOk();
        $this->get($path)->assertSee('ribbon');

        $this->patchJson("/api/lessons/{$lesson}/publication", ['ends_on' => now()->toDateString()])->assertOk();
        $this->get($path)->assertOk();
        $this->patchJson("/api/lessons/{$lesson}/publication", ['ends_on' => now()->subDay()->toDateString()])->assertOk();
        $this->get($path)->assertNotFound()->assertSee('This film is not here');
        $this->patchJson("/api/lessons/{$lesson}/publication", ['ends_on' => null, 'withdrawn' => true])->assertOk();
        $this->get("{$path}/film")->assertNotFound();
        $this->patchJson("/api/lessons/{$lesson}/publication", ['ends_on' => 'soon'])->assertStatus(422);
        $this->patchJson("/api/lessons/{$lesson}/publication", ['withdrawn' => false])->assertOk();
        $this->get($path)->assertOk();
        $this->deleteJson("/api/lessons/{$lesson}")->assertNoContent();
        $this->get($path)->assertNotFound();
    }

    public function test_a_password_is_tried_from_everywhere_only_so_often(): void
    {
        $lesson = $this->spoken()->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        Publication::query()->sole()->update(['password' => password_hash('low water at six', PASSWORD_BCRYPT, ['cost' => 4])]);
        config(['hashing.driver' => 'bcrypt']);
        $from = fn (int $n): self => $this->withServerVariables(['HTTP_X_OPEN_REEL' => '1', 'REMOTE_ADDR' => "127.0.3.{$n}"]);
        $guess = fn (int $n): int => $from($n)->post($path, ['password' => "guess {$n}"])->getStatusCode();
        $said = array_map($guess, range(1, 201));
        self::assertSame([...array_fill(0, 200, 422), 429], $said);
        $from(202)->post($path, ['password' => 'low water at six'])->assertStatus(429)->assertSee('tried too often');
        $this->travel(61)->minutes();
        $from(203)->post($path, ['password' => 'low water at six'])->assertRedirect($path);
    }

    public function test_a_link_that_leaked_is_renewed_and_publishing_shows_nothing_that_was_withdrawn(): void
    {
        $section = $this->spoken();
        $lesson = $section->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $new = (string) $this->patchJson("/api/lessons/{$lesson}/publication", ['renew' => true])->assertOk()->json('site.path');
        self::assertNotSame($path, $new);
        $this->get($path)->assertNotFound();
        $this->get($new)->assertOk();

        $this->patchJson("/api/lessons/{$lesson}/publication", ['withdrawn' => true])->assertOk();
        $this->write($section, self::WORDS[0]);
        $film = $this->export($lesson);
        $this->postJson("/api/lessons/{$lesson}/publication", ['export_id' => $film])->assertOk()
            ->assertJsonPath('site.withdrawn', true)->assertJsonPath('site.versions.0.number', 2);
        $this->get($new)->assertNotFound();
        $this->postJson("/api/lessons/{$lesson}/publication", ['export_id' => $film, 'show' => true])->assertOk()
            ->assertJsonPath('site.withdrawn', false)->assertJsonPath('site.versions.0.number', 2);
        $this->get($new)->assertOk();
    }

    public function test_a_flood_of_comments_closes_no_door_and_waits_until_somebody_looks(): void
    {
        $lesson = $this->spoken()->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $said = fn (int $n): TestResponse => $this->withServerVariables([
            'HTTP_X_OPEN_REEL' => '1', 'REMOTE_ADDR' => '127.0.'.intdiv($n, 200).'.'.($n % 200 + 1),
        ])->postJson("{$path}/comments", ['name' => "N{$n}", 'text' => 'x', 'at_ms' => 1]);
        foreach (range(1, 63) as $n) {
            $last = $said($n)->assertCreated();
        }
        // Whoever said it sees it once; other viewers do not, and the presenter is told how many wait.
        self::assertSame(['N63', true], [$last->json('60.name'), $last->json('60.held')]);
        $this->getJson("{$path}/comments")->assertJsonCount(60);
        $this->getJson("/api/lessons/{$lesson}/publication")->assertJsonPath('held', 3)->assertJsonCount(60, 'comments');
        $this->postJson("/api/lessons/{$lesson}/held-comments", [])->assertStatus(422);
        $this->postJson("/api/lessons/{$lesson}/held-comments", ['show' => true])->assertJsonPath('held', 0)
            ->assertJsonCount(63, 'comments');
        $said(64)->assertCreated();
        $this->postJson("/api/lessons/{$lesson}/held-comments", ['show' => false])->assertJsonPath('held', 0)
            ->assertJsonCount(63, 'comments');
        // An hour later it is as before.
        $this->travel(61)->minutes();
        $said(65)->assertCreated()->assertJsonCount(64);
        $this->getJson("/api/lessons/{$lesson}/publication")->assertJsonPath('held', 0);
    }

    public function test_more_than_a_comment_is_not_even_read(): void
    {
        $lesson = $this->spoken()->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $large = ['name' => 'A', 'text' => str_repeat('x', 70_000), 'at_ms' => 1];
        $this->postJson("{$path}/comments", $large)->assertStatus(413)
            ->assertJsonPath('detail', 'That is more than the server takes at once.');
        $text = str_repeat('x', 5_000_000);
        $this->putJson("/api/lessons/{$lesson}/script", ['text' => $text, 'revision' => 1])->assertStatus(413);
    }

    public function test_a_comment_lands_on_its_line_and_stays_there_when_words_and_times_change(): void
    {
        $section = $this->spoken();
        $lesson = $section->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $ids = $this->lines($section);
        $says = ['name' => 'Piran <i>', 'text' => 'You say 4.8, the slide says 4.6 {"quoted"}', 'at_ms' => 5_200];
        $this->postJson("{$path}/comments", $says)->assertCreated()->assertJsonPath('0.text', $says['text']);

        $told = fn (): array => (array) $this->getJson("/api/lessons/{$lesson}/publication")->json('comments.0');
        self::assertSame([$ids[1], self::WORDS[1], self::WORDS[1], false], [
            $told()['line_id'], $told()['line_was'], $told()['line_now'], $told()['done'],
        ]);
        $this->write($section, 'A new beginning. '.self::WORDS[0].' At one it is a ribbon of 4.6 m.');
        self::assertSame([$ids[1], 'At one it is a ribbon of 4.6 m.'], [$told()['line_id'], $told()['line_now']]);
        $this->write($section, self::WORDS[0]);
        self::assertSame([null, self::WORDS[1], $section->id], [$told()['line_id'], $told()['line_was'], $told()['section_id']]);

        // Answered, put right, and said so in the next version.
        $id = $told()['id'];
        $this->postJson("/api/comments/{$id}/answers", ['text' => 'You are right.'])->assertOk();
        $this->patchJson("/api/comments/{$id}", ['done' => true])->assertOk();
        $this->write($section, self::WORDS[0].' '.self::WORDS[1].' ');
        $this->publish($lesson, $this->export($lesson));
        $shown = $this->getJson("{$path}/comments")->json('0');
        self::assertSame([2, 'You are right.', true], [
            $shown['done_in'], $shown['answers'][0]['text'], $shown['answers'][0]['by_presenter'],
        ]);
        $this->patchJson("/api/comments/{$id}", ['hidden' => true])->assertOk();
        $this->getJson("{$path}/comments")->assertExactJson([]);
        $this->patchJson("/api/comments/{$id}", ['hidden' => false])->assertOk();
        $this->getJson("{$path}/comments")->assertJsonCount(1);
    }

    public function test_what_is_no_comment_is_refused_with_a_sentence(): void
    {
        $lesson = $this->spoken()->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $good = ['name' => 'A', 'text' => 'B', 'at_ms' => 1];
        foreach ([['name' => ''], ['text' => ''], ['text' => str_repeat('x', 2001)], ['name' => str_repeat('x', 61)],
            ['at_ms' => -1], ['at_ms' => 'soon'], ['answers' => ['x']]] as $bad) {
            // What is refused counts, too.
            Cache::flush();
            $answer = $this->postJson("{$path}/comments", $bad + $good)->assertStatus(422);
            self::assertStringEndsWith('.', (string) $answer->json('detail'));
        }
        $this->postJson("{$path}/comments", ['answers' => 'nobody'] + $good)->assertNotFound();
        Cache::flush();
        for ($n = 0; $n < 6; $n++) {
            $this->postJson("{$path}/comments", $good)->assertCreated();
        }
        $this->postJson("{$path}/comments", $good)->assertStatus(429)->assertJson([
            'detail' => 'That was a lot in one minute. Wait a moment; what you wrote is still here.',
        ]);
        self::assertSame(6, Comment::query()->count());
        $this->postJson("{$path}/comments", $good, ['Sec-Fetch-Site' => 'cross-site'])->assertForbidden();
    }

    public function test_how_far_it_was_watched_is_counted_and_by_whom_is_not(): void
    {
        $section = $this->spoken();
        $lesson = $section->lesson_id;
        $path = $this->publish($lesson, $this->export($lesson));
        $told = fn (): array => (array) $this->getJson("/api/lessons/{$lesson}/publication")->json('site.watched');
        self::assertSame([], $told());

        $this->postJson("{$path}/watched", ['parts' => [0, 0, 1, 9_999]])->assertNoContent();
        $this->postJson("{$path}/watched", ['parts' => [0]])->assertNoContent();
        foreach ([[], ['parts' => 'all'], ['parts' => [-1]], ['parts' => range(0, 800)]] as $bad) {
            $this->postJson("{$path}/watched", $bad)->assertStatus(422);
        }
        self::assertEquals([0 => 2, 1 => 1], DB::table('watched')->pluck('times', 'part')->all());
        self::assertSame([['title' => 'One', 'seen' => 0.75]], $told());
        // Another version is counted by itself.
        $this->write($section, self::WORDS[0]);
        $this->publish($lesson, $this->export($lesson));
        self::assertSame([], $told());
    }

    public function test_a_course_has_a_page_of_what_can_be_watched_now(): void
    {
        $section = $this->spoken();
        $course = $this->postJson('/api/courses', ['name' => 'Reading <the> Water'])->assertCreated()->json('id');
        $section->lesson()->firstOrFail()->update(['course_id' => $course]);
        self::assertNull($this->getJson("/api/courses/{$course}")->json('page'));
        $page = $this->postJson("/api/courses/{$course}/page")->assertOk()->json('page');
        self::assertSame($page, $this->postJson("/api/courses/{$course}/page")->json('page'));
        $this->get($page)->assertOk()->assertSee('Reading <the> Water')->assertSee('No film of this course can be watched now.');

        $address = $this->publish($section->lesson_id, $this->export($section->lesson_id));
        $this->get($page)->assertSee("href=\"{$address}\"", false)->assertSee("{$address}/thumbnail.jpg", false);
        $this->patchJson("/api/lessons/{$section->lesson_id}/publication", ['password' => 'slack water'])->assertOk();
        $this->get($page)->assertSee('asks for a password')->assertDontSee('thumbnail.jpg');
        $this->patchJson("/api/lessons/{$section->lesson_id}/publication", ['withdrawn' => true])->assertOk();
        $this->get($page)->assertDontSee($address);
        $this->get('/watch/course/'.str_repeat('a', 24))->assertNotFound();
    }

    private function publish(string $lesson, string $export, string $note = ''): string
    {
        return (string) $this->postJson("/api/lessons/{$lesson}/publication", ['export_id' => $export, 'note' => $note])
            ->assertOk()
            ->json('site.path');
    }

    private function export(string $lesson): string
    {
        return (string) $this->postJson("/api/lessons/{$lesson}/exports")->assertJson(['state' => 'done'])->json('id');
    }

    private function write(Section $section, string $text): void
    {
        $lesson = $section->lesson()->firstOrFail();
        app(SaveScript::class)($lesson, Script::parse("## One\n\n{$text}"), $lesson->revision);
    }

    /** @return list<string> ids */
    private function lines(Section $section): array
    {
        $lines = DB::table('lines')->where('section_id', $section->id)->whereNotNull('position')->orderBy('position');

        return array_values($lines->pluck('id')->all());
    }

    /** The first line from 0.3 s on, the second from 4 s on. */
    private function spoken(): Section
    {
        $section = $this->section();
        $section->lesson()->firstOrFail()->update(['width' => 320, 'height' => 180, 'fps' => 25]);
        $this->write($section, implode(' ', self::WORDS));
        $section = $section->lesson()->firstOrFail()->sections()->firstOrFail();
        $take = $this->keep($this->record($section, Clips::lighter()));
        [$one, $two] = $this->lines($section);
        $this->heard($take, ['line_ticks' => [$one => 48_000, $two => 4 * 48_000]]);

        return $section->refresh();
    }
}
