<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Section;
use App\Queries\Script\SpokenLines;
use Illuminate\Http\UploadedFile;
use OpenReel\Core\Script\Script;
use PHPUnit\Framework\Attributes\TestWith;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Captions and scripts as files, put together from their syntax and from what breaks it, with sizes at their limits. */
final class FuzzFilesTest extends FeatureTestCase
{
    private const CAPTION_PARTS = [
        "WEBVTT\n\n", "\u{FEFF}WEBVTT\r\n\r\n", "1\n", "00:00:00.000 --> 00:00:01.000\n", "00:00:01,500 --> 00:00:01,500\n",
        "99:59:59.999 --> 00:00:00.000\n", "999999999999:00:00.000 --> 00:00:02.000\n", "00:61:00.000 --> 00:00:02\n", "NOTE\n",
        "So leave a margin.\n", "<v Tamsin>So <i>leave</b> a margin</v>\n", '&lt;&#x0;&amp;', "\n\n", "\r", "\0", "\xFF\xFE",
        "-->\n", "STYLE\n::cue { color: red }\n\n", 'שלום', "👩‍🚀\n", '{\an8}',
    ];

    private const SCRIPT_PARTS = [
        '# Tides', '## High water', '## ', '### ', '[slide: Curve]', '[slide: ]', '[pause 600 s]', '[pause 600.1 s]',
        '[speed: 16x]', '[speed: 17x]', '[emphasis: box 0 0 100 100]', '[emphasis: box -1 1e9 100 100]', '[step: 99]',
        '[step: 100]', '[board: page 99]', '[music: Ebb, -60 dB, in 30 s]', '[card: opening, 2 s]', '[layout: ]', '[[[', ']]',
        '\\', '"', '{1.5 m}', 'So leave a margin.',
        "\n", "\n\n", "\r\n", "\r", "\0", "\xC3", "\u{2028}", 'שלום', '👩‍🚀', "\u{301}",
    ];

    #[TestWith([1])]
    #[TestWith([26])]
    #[TestWith([1005])]
    public function test_captions_that_are_brought_in_end_in_no_fault(int $seed): void
    {
        $section = $this->captioned();
        $address = "/api/lessons/{$section->lesson_id}/translations/de/file";
        $random = new Randomizer(new Mt19937($seed));
        $read = 0;
        for ($case = 0; $case < 40; $case++) {
            $captions = self::made($random, self::CAPTION_PARTS);
            $read += $this->mustAnswer($address, 'tides.vtt', "WEBVTT\n\n00:00.000 --> 00:03.000\n{$captions}", 'captions');
            $read += $this->mustAnswer($address, 'tides.srt', $captions, 'captions');
        }
        self::assertGreaterThan(5, $read);
        $this->getJson("/api/lessons/{$section->lesson_id}/captions?language=de")->assertOk();
    }

    public function test_captions_are_read_up_to_their_limit(): void
    {
        $section = $this->captioned();
        $address = "/api/lessons/{$section->lesson_id}/translations/de/file";
        $row = "00:00:01.000 --> 00:00:02.000\nSo leave a margin.\n\n";
        $most = str_pad("WEBVTT\n\n".str_repeat($row, 40_000), 2 * 1024 * 1024);
        self::assertTrue($this->mustAnswer($address, 'tides.vtt', $most, 'captions'));
        $refused = $this->post($address, ['file' => UploadedFile::fake()->createWithContent('tides.vtt', "{$most} ")], [
            'Accept' => 'application/json',
        ])->assertUnprocessable()->json('detail');
        self::assertStringContainsString('at most 2 MB', $refused);
    }

    #[TestWith([1])]
    #[TestWith([26])]
    #[TestWith([1005])]
    public function test_scripts_that_are_brought_in_end_in_no_fault(int $seed): void
    {
        $section = Section::factory()->create();
        $script = "/api/lessons/{$section->lesson_id}/script";
        $random = new Randomizer(new Mt19937($seed));
        for ($case = 0; $case < 25; $case++) {
            $text = self::made($random, self::SCRIPT_PARTS);
            $this->mustAnswer('/api/read-script', 'tides.'.['md', 'txt'][$case % 2], $text, 'text');
            $answer = $this->putJson($script, [
                'text' => mb_scrub($text), 'revision' => $this->getJson($script)->assertOk()->json('revision'),
            ]);
            self::assertLessThan(500, $answer->getStatusCode(), $text);
            $answer->isOk() || self::assertNotSame('', (string) $answer->json('detail'), $text);
            $this->getJson("/api/lessons/{$section->lesson_id}")->assertOk();
            $this->getJson("/api/lessons/{$section->lesson_id}/assembly")->assertOk();
        }
    }

    public function test_a_script_has_so_many_sections_and_no_more(): void
    {
        $section = Section::factory()->create();
        $script = "/api/lessons/{$section->lesson_id}/script";
        $revision = fn (): int => $this->getJson($script)->assertOk()->json('revision');
        $more = str_repeat("## High water\n\nSo leave a margin.\n\n", Script::MOST_SECTIONS + 1);
        $says = $this->putJson($script, ['text' => $more, 'revision' => $revision()])->assertUnprocessable()->json('detail');
        self::assertStringContainsString('1000', str_replace([',', ' '], '', $says));
        self::assertSame(1, $section->lesson()->sole()->sections()->count());
    }

    /** @param  list<string>  $parts */
    private static function made(Randomizer $random, array $parts): string
    {
        $made = '';
        for ($n = $random->getInt(1, 14); $n > 0; $n--) {
            $part = $parts[$random->getInt(0, count($parts) - 1)];
            $made .= $random->getInt(0, 20) === 0 ? str_repeat($part, 3_000) : $part;
        }

        return $made;
    }

    private function captioned(): Section
    {
        $section = Section::factory()->for(Lesson::factory()->state(['width' => 320, 'height' => 180]))->create();
        $this->patchJson("/api/sections/{$section->id}", ['script' => 'So leave a margin. High water is at seven.'])->assertOk();
        $take = $this->keep($this->record($section, Clips::lighter()));
        $first = SpokenLines::asTaken($section->refresh())['lines'][0]['id'];
        $this->heard($take, ['line_ticks' => [$first => 24_000]]);

        return $section;
    }

    /** @return bool whether it was read; what is not is refused in a sentence */
    private function mustAnswer(string $address, string $name, string $content, string $gives): bool
    {
        $file = UploadedFile::fake()->createWithContent($name, $content);
        $answer = $this->post($address, ['file' => $file], ['Accept' => 'application/json']);
        $what = "{$name} ".substr((string) json_encode(mb_scrub($content)), 0, 300)." {$answer->exception}";
        self::assertLessThan(500, $answer->getStatusCode(), $what);
        self::assertNotNull($answer->json($answer->isOk() ? $gives : 'detail'), $what);

        return $answer->isOk();
    }
}
