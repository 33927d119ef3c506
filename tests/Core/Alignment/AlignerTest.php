<?php

declare(strict_types=1);

namespace Tests\Core\Alignment;

use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Alignment\Internal\Cepstra;
use OpenReel\Core\Alignment\Internal\Confidence;
use OpenReel\Core\Alignment\Internal\Edges;
use OpenReel\Core\Alignment\Internal\Frames;
use OpenReel\Core\Alignment\Internal\MelBank;
use OpenReel\Core\Alignment\Internal\OwnVoice;
use OpenReel\Core\Alignment\Internal\ReferenceLine;
use OpenReel\Core\Alignment\Internal\Rescoring;
use OpenReel\Core\Alignment\Internal\Search;
use OpenReel\Core\Alignment\Internal\SearchHit;
use OpenReel\Core\Alignment\Internal\Spectrum;
use OpenReel\Core\Alignment\Internal\Speech;
use OpenReel\Core\Alignment\Internal\VoiceActivity;
use OpenReel\Core\Alignment\Internal\Warp;
use OpenReel\Core\Alignment\Internal\Window;
use OpenReel\Core\Alignment\OffScript;
use OpenReel\Core\Alignment\SpokenWords;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Sound\Fourier;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The steps of hearing words, each by itself, on sounds and on lines made of few different frames. */
final class AlignerTest extends TestCase
{
    public function test_a_sine_has_its_power_at_its_frequency(): void
    {
        $fourier = new Fourier(64);
        $sine = $silence = array_fill(0, 64, 0.0);
        foreach (range(0, 63) as $i) {
            $sine[$fourier->order[$i]] = sin((2 * M_PI * 5 * $i) / 64);
        }
        [$power, $none] = $fourier->powers($sine, $silence);
        self::assertCount(32, $power);
        // A sine of amplitude 1 has half of 64 at its frequency; powers are times 4.
        self::assertEqualsWithDelta(4 * 32 ** 2, $power[5], 1e-6);
        self::assertEqualsWithDelta(0.0, array_sum($power) - $power[5], 1e-6);
        self::assertEqualsWithDelta(0.0, array_sum($none), 1e-6);
        [$none, $power] = $fourier->powers($silence, $sine);
        self::assertEqualsWithDelta(4 * 32 ** 2, $power[5], 1e-6, 'the other signal as well');
        self::assertEqualsWithDelta(0.0, array_sum($none), 1e-6);
    }

    public function test_the_mel_scale_is_that_of_its_source(): void
    {
        // 1000 Hz is 1000 mel, by definition of the scale.
        self::assertEqualsWithDelta(1000.0, MelBank::mel(1000.0), 0.1);
        self::assertEqualsWithDelta(2146.1, MelBank::mel(4000.0), 0.1);
        self::assertEqualsWithDelta(440.0, MelBank::hertz(MelBank::mel(440.0)), 1e-6);
    }

    public function test_a_tone_lies_in_the_band_of_its_frequency(): void
    {
        foreach ([[200, 1], [1000, 8], [4000, 20]] as [$hertz, $band]) {
            $frames = Spectrum::read([self::tone($hertz, 8000, 4000)]);
            self::assertSame(12, $frames->count, 'whole steps of 20 ms');
            $energies = $frames->at(5);
            self::assertCount(MelBank::BANDS, $energies);
            self::assertEqualsWithDelta($band, array_search(max([0.0, ...$energies]), $energies, true), 1.0, "{$hertz} Hz");
        }
    }

    public function test_pieces_of_any_length_give_the_same_frames(): void
    {
        $sound = self::tone(300, 5000, 5123);
        $whole = Spectrum::read([$sound]);
        $parted = Spectrum::read(str_split($sound, 2 * 77));
        self::assertSame($whole->count, $parted->count);
        self::assertSame($whole->all(), $parted->all());
        self::assertSame(0, Spectrum::read([])->count);
    }

    public function test_speech_is_told_from_noise_of_other_bands(): void
    {
        // Half a second each of: noise, a tone in it, noise, a click of 5 ms, noise.
        mt_srand(3);
        $sound =
            self::noise(8000, 300).
            self::mixed(self::tone(900, 2500, 8000), self::noise(8000, 300)).
            self::noise(8000, 300).
            self::mixed(self::tone(900, 1500, 80), self::noise(80, 300)).
            self::noise(8000, 300);
        $mask = VoiceActivity::of(Spectrum::read([$sound]));
        self::assertMatchesRegularExpression('/^0{23,26}1{24,28}0{45,}$/', $mask);
        self::assertSame('', VoiceActivity::of(Spectrum::read([])));
        self::assertSame('0011110011', VoiceActivity::without('0011010011', '0', 1));
        self::assertSame('0000111000', VoiceActivity::without('0110111010', '1', 2));
    }

    public function test_cepstra_have_no_mean_and_one_variance_over_speech_and_do_not_know_how_loud_it_is(): void
    {
        mt_srand(5);
        $sound = self::noise(16_000, 2000);
        $spectrum = Spectrum::read([$sound]);
        $speech = str_repeat('1', $spectrum->count);
        $cepstra = Cepstra::of($spectrum, $speech);
        for ($q = 0; $q < Cepstra::COEFFICIENTS; $q++) {
            $column = array_map(fn (array $frame): float => $frame[$q], $cepstra->all());
            $mean = array_sum($column) / count($column);
            self::assertEqualsWithDelta(0.0, $mean, 1e-4);
            self::assertEqualsWithDelta(
                1.0,
                array_sum(array_map(fn (float $v): float => $v * $v, $column)) / count($column),
                1e-3,
            );
        }
        $louder = pack('s*', ...array_map(fn (int $v): int => 2 * $v, array_values((array) unpack('s*', $sound))));
        $same = Cepstra::of(Spectrum::read([$louder]), $speech);
        self::assertEqualsWithDelta($cepstra->at(20), $same->at(20), 0.02);
        self::assertCount(Cepstra::SIZE, Cepstra::withChange($cepstra)->at(0));
    }

    public function test_the_way_through_the_lines_is_found(): void
    {
        $take = fn (string $says): array => self::found($says, ['abcdefgh', 'ijklmnop', 'qrstuvwx']);
        self::assertSame(['0', '1', '2'], $take('abcdefgh ijklmnop qrstuvwx'), 'in order');
        self::assertSame(['0', '1~', '1', '2'], $take('abcdefgh ijklmn ijklmnop qrstuvwx'), 'a false start');
        self::assertSame(['0', '1', '1', '2'], $take('abcdefgh ijklmnop ijklmnop qrstuvwx'), 'said twice');
        self::assertSame(['0', '1', '0', '1', '2'], $take('abcdefgh ijklmnop abcdefgh ijklmnop qrstuvwx'), 'from farther back');
        self::assertSame(['0', '2'], $take('abcdefgh qrstuvwx'), 'left out');
        self::assertSame(['0', '1'], $take('abcdefgh ijklmnop'), 'the end is missing');
        self::assertSame(['0', '1', '2'], $take('abcdefgh ABCDEFGHIJ ijklmnop qrstuvwx'), 'something else between');
    }

    public function test_one_jumps_to_the_beginning_of_a_section_far_ahead(): void
    {
        $lines = array_map(fn (int $i): string => str_repeat(chr(97 + $i), 3).str_repeat(chr(98 + $i), 3), range(0, 17));
        $says = implode('   ', [$lines[0], $lines[12], $lines[13]]);
        self::assertSame(['0', '12', '13'], self::found($says, $lines, [0, 12]));
    }

    public function test_only_lines_that_may_be_said_in_a_stretch_are_looked_for(): void
    {
        $lines = array_map(
            fn (int $n): ExpectedLine => new ExpectedLine('Low water falls at a quarter past seven.', 'spoken', $n % 50 === 0),
            range(0, 199),
        );
        $window = Window::at($lines, 60, 10_000);
        // A line takes about 3.4 s to say.
        self::assertSame(range(52, 69), array_keys($window->texts));
        self::assertSame([[], [100]], [$window->sections, Window::at($lines, 95, 10_000)->sections]);
        self::assertSame(range(100, 103), array_keys(Window::from($lines, 100, 10_000)->texts));
        self::assertSame(range(191, 199), array_keys(Window::at($lines, 199, 90_000)->texts), 'the last line');
        self::assertSame(range(0, 199), array_keys(Window::all($lines)->texts));

        // Two lines that stand beside each other here lie far apart in the script.
        $reference = array_map(
            fn (string $line): ReferenceLine => new ReferenceLine(self::frames($line, 6)),
            [7 => 'abcdefgh', 8 => 'ijklmnop', 50 => 'qrstuvwx'],
        );
        $search = fn (string $says, int $next): array => array_map(
            fn (SearchHit $a): int => $a->line,
            (new Search($reference, new Window([], [50], $next), 1.0, 0.12, 0.3))(self::speech($says))->hits,
        );
        self::assertSame([7, 8], $search('abcdefgh ijklmnop', 7));
        self::assertSame([8], $search('ijklmnop', 8), 'one begins where one is');
        self::assertSame([8, 50], $search('ijklmnop    qrstuvwx', 8));
    }

    public function test_long_speech_is_parted_in_pauses(): void
    {
        $speech = self::speech('abc d  e fgh', 1);
        self::assertSame(6, $speech->pauseNear(1, 9));
        self::assertSame(12, $speech->pauseNear(9, 12), 'without one at its end');
        self::assertSame([1, 2], [$speech->slice(2, 4)->spoken(0, 2), $speech->slice(2, 4)->count()]);
        self::assertSame([3, 5], $speech->ends(0, 8, 1), 'up to a long silence');
    }

    public function test_a_read_is_warped_onto_its_line(): void
    {
        $line = self::frames('abcd');
        $path = Warp::path(self::speech('aab cd', 1), $line, 0, 6);
        self::assertSame([0, 0, 1, -1, 2, 3], $path);
        self::assertSame([], Warp::path(self::speech('', 1), $line, 0, 0));
    }

    public function test_own_words_are_known_again(): void
    {
        $speech = self::speech('abcdefgh abcde ABCDEFGH');
        $whole = new SearchHit(0, 0, 48, 7, true, 0.0);
        [$same, $part] = OwnVoice::compare($speech, 54, 84, $whole);
        self::assertLessThan(0.1, $same);
        self::assertEqualsWithDelta(5 / 8, $part, 0.05);
        [$other] = OwnVoice::compare($speech, 90, 138, $whole);
        self::assertGreaterThan(0.7, $other);
        self::assertSame([INF, 0.0], OwnVoice::compare($speech, 48, 54, $whole), 'nothing is said there');
    }

    public function test_what_was_found_is_looked_at_again_in_the_presenters_own_voice(): void
    {
        $again = fn (string $says, SearchHit ...$found): array => array_map(
            fn (SearchHit $a): array => [$a->line, $a->from, $a->until, $a->complete],
            Rescoring::at(self::speech($says), array_values($found)),
        );
        $first = new SearchHit(0, 0, 24, 3, false, 6.0);
        self::assertSame(
            [[0, 0, 48, false], [0, 54, 102, true]],
            $again('abcd efg abcdefgh', $first, new SearchHit(0, 54, 102, 7, true, 12.0)),
            'a false start that goes on behind a pause',
        );
        self::assertSame(
            [[0, 0, 24, false], [0, 30, 54, false], [0, 60, 108, true]],
            $again(
                'abcd abcd abcdefgh',
                $first,
                new SearchHit(0, 30, 54, 3, false, 6.0),
                new SearchHit(0, 60, 108, 7, true, 12.0),
            ),
            'two of them stay two',
        );
        self::assertSame(
            [[0, 0, 48, true], [0, 54, 102, true], [1, 108, 156, true]],
            $again(
                'abcdefgh abcdefgh ABCDEFGH',
                new SearchHit(0, 0, 48, 7, true, 12.0),
                new SearchHit(1, 54, 102, 3, false, 12.0),
                new SearchHit(1, 108, 156, 7, true, 12.0),
            ),
            'a line said again that was taken for the beginning of the next one',
        );
        self::assertSame(
            [[0, 0, 42, false], [0, 48, 96, true]],
            $again('abcdefg abcdefgh', new SearchHit(0, 0, 42, 7, true, 11.0), new SearchHit(0, 48, 96, 7, true, 12.0)),
            'broken off shortly before its end',
        );
    }

    public function test_edges_are_those_of_the_speech(): void
    {
        $mask = str_repeat('0', 10).str_repeat('1', 20).str_repeat('0', 5).str_repeat('1', 4).str_repeat('0', 30);
        $speech = new Speech(Frames::packed('', Cepstra::SIZE), $mask, []);
        $speech = new Speech(Frames::of(array_fill(0, strlen($mask), array_fill(0, 24, 0.0)), 24), $mask, []);
        $edged = fn (int $from, int $until): array => (array) Edges::of(
            $speech,
            new SearchHit(0, $from, $until, 3, true, 1.0),
            0,
            69,
        );
        self::assertSame([10, 39], array_values(array_slice($edged(14, 27), 1, 2)), 'grown, with the weak last sound');
        self::assertSame([10, 39], array_values(array_slice($edged(2, 34), 1, 2)), 'silence left out');
    }

    public function test_speech_outside_lines_is_unscripted_and_long_silence_a_pause(): void
    {
        $mask =
            str_repeat('1', 50).
            str_repeat('0', 45).
            str_repeat('1', 30).
            str_repeat('0', 20).
            str_repeat('1', 20).
            str_repeat('0', 60).
            str_repeat('1', 10);
        $speech = new Speech(Frames::packed('', Cepstra::SIZE), $mask, []);
        $ms = fn (Span $s): array => [$s->from->milliseconds(), $s->until->milliseconds()];
        self::assertSame([[1900, 3300]], array_map($ms, OffScript::of($speech, [new SearchHit(0, 0, 50, 9, true, 1.0)])));
        self::assertSame([[1000, 1900], [3300, 4500]], array_map($ms, $speech->pauses()));
    }

    public function test_one_is_sure_of_a_line_and_not_of_its_sounds_in_another_order(): void
    {
        $speech = self::speech('abcdefgh');
        $attempt = new SearchHit(0, 0, 48, 7, true, 0.0);
        self::assertGreaterThan(0.95, Confidence::of($speech, $attempt, self::frames('abcdefgh', 6)));
        self::assertLessThan(0.05, Confidence::of($speech, $attempt, self::frames('hgfedcba', 6)), 'backwards');
        self::assertLessThan(0.5, Confidence::of($speech, $attempt, self::frames('ABCDEFGH', 6)), 'other sounds');
        self::assertSame(0.0, Confidence::ofAll([]));
        self::assertSame(0.9, Confidence::ofAll([0.2, 0.95, 0.9]));
    }

    /** @return iterable<string, array{int, int, float}> frames of the reads, of all speech, confidence */
    public static function evidence(): iterable
    {
        yield 'a word, and hardly anything else is said' => [20, 30, 0.97];
        yield 'a word in nine seconds of something else' => [20, 450, 0.044];
        yield 'a word that is just a third of all' => [20, 60, 0.97];
        yield 'a word that is just less' => [20, 61, 0.328];
        yield 'a sentence of a second and a half in a minute of something else' => [75, 3000, 0.97];
    }

    #[DataProvider('evidence')]
    public function test_a_word_in_much_that_is_no_line_is_nothing_to_be_sure_of(int $read, int $spoken, float $sure): void
    {
        self::assertSame($sure, Confidence::ofTake([0.97], $read, $spoken));
        self::assertSame(min(0.01, $sure), Confidence::ofTake([0.01], $read, $spoken), 'and no surer than it was');
    }

    public function test_written_words_are_found_among_spoken_ones(): void
    {
        self::assertSame(['It', 'is', '4.8', 'm', "o'clock"], SpokenWords::of("It is 4.8 m, o'clock!"));
        self::assertSame(
            [0.0, 1.0, 2.0, 4.0, 6.0],
            SpokenWords::places('It is 4.8 m now', 'It is four point eight metres now'),
            'what is spoken for "4.8 m" is shared by both',
        );
        self::assertSame([0.0, 1.0], SpokenWords::places('Low water', 'low water'));
        self::assertSame([], SpokenWords::places('', ''));
    }

    /**
     * @param  list<string>  $lines  a letter a sound
     * @param  list<int>  $sections
     * @return list<string> the index of each line found, with `~` when it was broken off
     */
    private static function found(string $says, array $lines, array $sections = []): array
    {
        $reference = array_map(fn (string $line): ReferenceLine => new ReferenceLine(self::frames($line, 6)), $lines);
        $attempts = (new Search($reference, new Window([], $sections, 0), 1.0, 0.12, 0.3))(self::speech($says))->hits;

        return array_map(fn (SearchHit $a): string => $a->line.($a->complete ? '' : '~'), $attempts);
    }

    /** Speech of which each letter is a sound, a space silence. */
    private static function speech(string $says, int $each = 6): Speech
    {
        $mask = implode(
            '',
            array_map(fn (string $l): string => str_repeat($l === ' ' ? '0' : '1', $each), $says === '' ? [] : str_split($says)),
        );

        return new Speech(Frames::of(self::frames($says, $each), Cepstra::SIZE), $mask, array_fill(0, MelBank::BANDS, 0.0));
    }

    /** @return list<list<float>> a vector for each letter, the same for the same one, far from all others */
    private static function frames(string $letters, int $each = 1): array
    {
        $frames = [];
        foreach ($letters === '' ? [] : str_split($letters) as $letter) {
            mt_srand(ord($letter));
            $vector = array_map(fn (): float => mt_rand(-100, 100) / 50, range(1, Cepstra::SIZE));
            array_push($frames, ...array_fill(0, $each, $vector));
        }

        return $frames;
    }

    private static function tone(int $hertz, int $level, int $samples): string
    {
        return pack(
            's*',
            ...array_map(
                fn (int $i): int => (int) round($level * sin((2 * M_PI * $hertz * $i) / Spectrum::RATE)),
                range(0, $samples - 1),
            ),
        );
    }

    private static function noise(int $samples, int $level): string
    {
        return pack('s*', ...array_map(fn (): int => mt_rand(-$level, $level), range(1, $samples)));
    }

    private static function mixed(string $one, string $other): string
    {
        return pack(
            's*',
            ...array_map(
                fn (int $a, int $b): int => $a + $b,
                array_values((array) unpack('s*', $one)),
                array_values((array) unpack('s*', $other)),
            ),
        );
    }
}
