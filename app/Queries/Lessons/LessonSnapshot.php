<?php

declare(strict_types=1);

namespace App\Queries\Lessons;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\Queries\Slides\LessonDeck;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Style\HouseStyle;

/**
 * What a lesson says and shows at one moment: its script, sections, lines, slides and style, each read once and when it is first
 * asked for. What is told of a lesson, its film and its pictures are all made from this.
 */
final class LessonSnapshot
{
    private ?HouseStyle $style = null;

    private ?Script $script = null;

    /** @var list<Section>|null */
    private ?array $sections = null;

    /** @var array<string, list<\stdClass>>|null */
    private ?array $lines = null;

    /** @var list<Slide>|null */
    private ?array $slides = null;

    private function __construct(public readonly Lesson $lesson)
    {
    }

    public static function of(Lesson $lesson): self
    {
        return new self($lesson);
    }

    public function style(): HouseStyle
    {
        return $this->style ??= LessonStyle::of($this->lesson);
    }

    public function script(): Script
    {
        return $this->script ??= Script::parse($this->lesson->script);
    }

    public function frame(): FrameSize
    {
        return FrameSize::of($this->lesson->width, $this->lesson->height);
    }

    public function rate(): FrameRate
    {
        return FrameRate::of($this->lesson->fps);
    }

    /** @return list<Section> in order, with the slides they begin with */
    public function sections(): array
    {
        return $this->sections ??= array_values($this->lesson->sections()->with('slide')->get()->all());
    }

    /** What the script says of a section; null when another text has been saved since it was read. */
    public function sectionOfScript(Section $section): ?ScriptSection
    {
        $index = array_search($section->id, array_column($this->sections(), 'id'), true);

        return $index === false ? null : $this->script()->sections[$index] ?? null;
    }

    /** @return list<\stdClass> rows of a section's lines, in order */
    public function lines(string $section): array
    {
        if ($this->lines === null) {
            $this->lines = [];
            $rows = DB::table('lines')->where('lesson_id', $this->lesson->id)->whereNotNull('position')->orderBy('position');
            foreach ($rows->get() as $row) {
                $this->lines[$row->section_id][] = $row;
            }
        }

        return $this->lines[$section] ?? [];
    }

    /** @return array<string, string> words of all lines, by id, in order */
    public function texts(): array
    {
        $all = array_merge([], ...array_map(fn (Section $s): array => $this->lines($s->id), $this->sections()));

        return array_column($all, 'text', 'id');
    }

    /** @return list<CoverageSection> */
    public function coverageSections(): array
    {
        return array_map(fn (Section $s): CoverageSection => new CoverageSection(
            $s->id, array_column($this->lines($s->id), 'text', 'id'), self::isCard($s->script),
        ), $this->sections());
    }

    /** @return list<Slide> in the order of the deck */
    public function slides(): array
    {
        return $this->slides ??= array_values($this->lesson->slides()->get()->all());
    }

    /** @param  FrameSize|null  $frame  null: the lesson's own */
    public function cues(?FrameSize $frame = null): PictureCues
    {
        return new PictureCues($this->script(), LessonDeck::of($this->slides()), $this->style(), $frame ?? $this->frame());
    }

    public function logo(): ?LogoPlacement
    {
        return LessonStyle::logo($this->style(), LessonStyle::logoRow($this->style()));
    }

    /** @param  string  $script  a section's part of the script */
    public static function isCard(string $script): bool
    {
        return str_contains($script, '[card') && ScriptSection::ofText($script)->card() !== null;
    }
}
