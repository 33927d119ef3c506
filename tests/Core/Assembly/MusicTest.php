<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\MusicCueAt;
use OpenReel\Core\Assembly\MusicSpan;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Sound\Envelope;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Soundtrack\MusicClip;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Soundtrack\SoundPlan;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MusicTest extends TestCase
{
    #[DataProvider('cues')]
    public function test_cues_say_which_music_and_how(string $value, ?MusicCue $meant): void
    {
        self::assertEquals($meant, MusicCue::parse($value));
        self::assertSame($meant === null, Cue::parse("[music: {$value}]", 0)?->problem() !== null);
    }

    /** @return iterable<array{string, MusicCue|null}> */
    public static function cues(): iterable
    {
        yield ['Slack water', new MusicCue('Slack water')];
        yield ['Slack water, -3 dB, in 2 s, out 4 s, once', new MusicCue('Slack water', -3.0, 2000, 4000, false)];
        yield ['Ebb, −1.5dB', new MusicCue('Ebb', -1.5)];
        yield ['None', new MusicCue(null)];
        yield ['Ebb, -500 dB, out 999 s', new MusicCue('Ebb', -40.0, fadeOutMs: 30_000)];
        yield ['none, out 5 s', new MusicCue(null, fadeOutMs: 5000, endsInMs: 5000)];
        yield ['', null];
        yield ['Ebb, loud', null];
        yield ['Ebb, in', null];
    }

    public function test_music_begins_and_ends_at_words_and_goes_with_the_film(): void
    {
        // A card of two seconds, then lines at 0 and 1 s of a take of three seconds.
        $film = $this->film(
            [$this->cued(0, 0.0, 'A')],
            [$this->cued(1, 0.5, 'none'), $this->cued(1, 0.75, 'B', 'out 2 s')],
        );

        self::assertSame([['A', 0, 50 + 50 + 25, 50], ['B', 50 + 62, 125, 50]], $this->told($film));
        // A cue that ends it may say in what time.
        $film = $this->film([$this->cued(0, 0.0, 'A')], [$this->cued(1, 0.5, 'none', 'out 0.4 s')]);
        self::assertSame([['A', 0, 50 + 50 + 10, 10]], $this->told($film));
        // Behind the last word is the section's end.
        $film = $this->film([$this->cued(0, 0.0, 'A')], [$this->cued(2, 0.0, 'none')]);
        self::assertSame([['A', 0, 125, 50]], $this->told($film));
    }

    public function test_what_is_not_there_is_silent_and_a_line_nobody_speaks_hands_on_its_music(): void
    {
        self::assertSame([], $this->film([$this->cued(0, 0.0, 'C')], [])->music);
        $film = $this->film([$this->cued(0, 0.0, 'A')], [$this->cued(0, 0.5, 'C')]);
        self::assertSame([['A', 0, 50 + 12 + 50, 50]], $this->told($film), 'a name nobody knows ends what was heard');
        self::assertSame([], Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [
            new SectionInput('a', 'a', new ShotStyle(), music: [$this->cued(0, 0.0, 'A')]),
        ])->music);
    }

    public function test_once_is_as_long_as_the_music_and_sections_may_be_heard_to_begin(): void
    {
        $film = $this->film([$this->cued(0, 0.0, 'A', 'once')], []);
        self::assertSame([['A', 0, 25, 50]], $this->told($film));

        $page = new MusicTrack('page', 'p', 9600, -16.0);
        $film = $this->film([], [], $page);
        self::assertEquals([new MusicSpan($page, 50, 55, loops: false, ducks: false)], $film->music);
        self::assertSame(0.5012, round(SoundPlan::of($film, -16.0)->beds[0]->loud->at(50 * 1920), 4), 'it does not step back');
    }

    public function test_what_goes_round_goes_on_where_its_seam_is(): void
    {
        $bed = new MusicTrack('A', 'plain', 1000, -16.0, 'round', 100);
        $place = new MusicClip($bed, 500, 3000, true, new Envelope([[0, 1.0]]));

        self::assertSame('round', $place->file());
        self::assertSame([[null, 500], [0, 1000], [100, 900], [100, 600], [null, 200]], $place->stretches(0, 3200));
        self::assertSame([[150, 100]], $place->stretches(1550, 1650));
        $once = new MusicClip($bed, 500, 3000, false, new Envelope([[0, 1.0]]));
        self::assertSame(['plain', [[900, 100], [null, 1500]]], [$once->file(), $once->stretches(1400, 3000)]);
        self::assertEquals($place, MusicClip::parse((array) json_decode((string) json_encode($place->toArray()), true)));
    }

    public function test_another_level_makes_other_parts_where_it_is_heard_and_no_others(): void
    {
        $parts = fn (string $level): array => array_map(
            fn (SoundPart $p): string => $p->key('v'),
            SoundPart::all(SoundPlan::of($this->long([
                $this->cued(0, 0.0, 'A', $level), $this->cued(1, 0.0, 'none'),
            ]), -16.0)),
        );
        [$one, $other] = [$parts('-3 dB'), $parts('-6 dB')];

        self::assertCount(3, $one);
        self::assertSame([false, true, true], array_map(fn (string $a, string $b): bool => $a === $b, $one, $other));
    }

    /** @param  list<MusicCueAt>  $music */
    private function long(array $music): Assembly
    {
        $take = Example::take('t', [0, 60 * 48_000], ['one' => 0, 'two' => 10 * 48_000]);
        $other = Example::take('u', [0, 60 * 48_000]);

        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [
            new SectionInput(
                'a', 'a', new ShotStyle(), [new Passage($take, Example::span(0, 30 * 48_000), ['one', 'two'])],
                lines: ['one', 'two'], music: $music,
            ),
            new SectionInput('b', 'b', new ShotStyle(), [new Passage($other, Example::span(0, 25 * 48_000))]),
            new SectionInput('c', 'c', new ShotStyle(), [new Passage($take, Example::span(0, 25 * 48_000))]),
        ]);
    }

    /**
     * @param  list<MusicCueAt>  $card
     * @param  list<MusicCueAt>  $spoken
     */
    private function film(array $card, array $spoken, ?MusicTrack $sound = null): Assembly
    {
        $take = Example::take('t', [0, 3 * 48_000], ['one' => 0, 'two' => 48_000]);

        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [
            new SectionInput(
                'card', 'card', new ShotStyle(),
                card: new CardSource(Example::slide('card'), Tick::ofSeconds(2)), music: $card,
            ),
            new SectionInput(
                'a', 'a', new ShotStyle(), [new Passage($take, Example::span(0, 3 * 48_000), ['one', 'two'])],
                lines: ['one', 'two'], music: $spoken, sound: $sound,
            ),
        ]);
    }

    private function cued(int $line, float $within, string $name, string $more = ''): MusicCueAt
    {
        $cue = MusicCue::parse($more === '' ? $name : "{$name}, {$more}");
        $beds = [new MusicTrack('A', 'a', 48_000, -16.0), new MusicTrack('B', 'b', 480_000, -16.0)];

        return new MusicCueAt(new WordPlace($line + 1, $within), $cue ?? new MusicCue(null), MusicTrack::named($name, $beds));
    }

    /** @return list<array{string, int, int, int}> name, from, until, frames in which it goes */
    private function told(Assembly $film): array
    {
        return array_map(fn (MusicSpan $m): array => [$m->bed->name, $m->from, $m->until, $m->fadeOut], $film->music);
    }
}
