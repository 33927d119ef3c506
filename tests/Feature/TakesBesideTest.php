<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Section;
use App\Models\Take;
use OpenReel\Core\Take\TakeState;

/** What a lesson tells of its takes, and what a section does. */
final class TakesBesideTest extends FeatureTestCase
{
    public function test_a_lesson_tells_of_the_newest_takes_and_a_section_of_all(): void
    {
        $section = Section::factory()->create();
        foreach (range(1, 6) as $number) {
            Take::factory()->create(['section_id' => $section->id, 'number' => $number]);
        }
        self::assertSame([4, 5, 6], $this->beside($section));

        Take::query()->where('number', 2)->sole()->update(['verdict' => 'kept']);
        Take::query()->where('number', 5)->sole()->update(['verdict' => 'discarded']);
        self::assertSame([2, 4, 6], $this->beside($section), 'one that is kept takes the place of one that is not');

        Take::factory()->create(['section_id' => $section->id, 'number' => 7, 'state' => TakeState::Unusable]);
        self::assertSame([2, 4, 6, 7], $this->beside($section), 'those of another state do not stand in for them');
        self::assertSame(range(1, 7), array_column($this->toldTakes($section->id), 'number'));
        $told = $this->getJson("/api/lessons/{$section->lesson_id}")->json('sections.0');
        self::assertSame([7, 7], [$told['take_count'], $told['last_take']]);
    }

    public function test_a_change_for_several_takes_tells_what_each_had(): void
    {
        $section = Section::factory()->create();
        $part = ['x' => 0.0, 'y' => 0.0, 'width' => 0.5, 'height' => 0.5];
        [$a, $b] = array_map(fn (int $n): Take => Take::factory()->create([
            'section_id' => $section->id, 'number' => $n, 'framing' => $n === 1 ? null : $part,
        ]), [1, 2]);
        $other = ['x' => 0.25] + $part;

        $was = $this->patchJson("/api/takes/{$a->id}", ['framing' => $other, 'for' => 'section'])->assertOk()->json('was');

        self::assertEquals([['id' => $a->id, 'framing' => null], ['id' => $b->id, 'framing' => $part]], $was);
        self::assertEquals([$other, $other], array_column($this->toldTakes($section->id), 'framing'));
    }

    /** @return list<int> numbers of the takes that the lesson tells of */
    private function beside(Section $section): array
    {
        return $this->getJson("/api/lessons/{$section->lesson_id}")->assertOk()->json('sections.0.takes.*.number');
    }
}
