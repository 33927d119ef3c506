<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Section;
use App\Models\Slide;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

final class SlideTest extends FeatureTestCase
{
    public function test_several_slides_fill_the_sections_in_order_of_their_names(): void
    {
        $section = $this->section();
        Section::factory()->create(['lesson_id' => $section->lesson_id, 'position' => 2]);

        $this->upload($section, [$this->file('10.png'), $this->file('2.png', '320x240'), $this->file('1.jpg', '100x100', 'jpg')])
            ->assertCreated()
            ->assertJson(['added' => 3, 'refused' => []]);

        $slides = array_column($this->getJson("/api/lessons/{$section->lesson_id}")->json('sections'), 'slide');
        self::assertSame(['1', '2', '10'], array_column($slides, 'name'));
        self::assertSame([100, 320, 640], array_column($slides, 'width'));
        $this->get($slides[0]['url'])
            ->assertOk()
            ->assertHeader('Content-Type', 'image/jpeg')
            ->assertHeader('X-Content-Type-Options', 'nosniff');
    }

    public function test_a_slide_can_be_replaced_and_taken_away(): void
    {
        $section = $this->section();
        $this->upload($section, [$this->file('a.png')], $section->id);
        $this->upload($section, [$this->file('b.png', '320x240')], $section->id);
        self::assertSame('b', $section->refresh()->slide?->name);

        $this->patchJson("/api/sections/{$section->id}", ['slide_id' => null])
            ->assertOk()
            ->assertJsonPath('slide', null);
        $other = $this->section();
        $this->upload($other, [$this->file('c.png')], $other->id);
        $this->patchJson("/api/sections/{$section->id}", ['slide_id' => $other->refresh()->slide_id])->assertUnprocessable();
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function unusable(): iterable
    {
        $png = (string) file_get_contents(Clips::slide());
        yield 'empty' => ['empty.png', '', 'is empty'];
        yield 'text called a picture' => ['text.png', 'hello', 'is not a PNG, JPEG, WebP or SVG picture'];
        yield 'a script inside' => [
            'x.svg',
            '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>',
            'contains scripts or refers to other files',
        ];
        yield 'another kind' => ['x.tiff', "II*\x00\x08\x00\x00\x00\x00\x00", 'is not a PNG, JPEG, WebP or SVG picture'];
        yield 'no picture in it' => ['x.gif', "GIF89a\x01\x00\x01\x00\x00\x00\x00;", 'is damaged'];
        yield 'cut off' => ['cut.png', substr($png, 0, intdiv(strlen($png), 2)), 'is damaged'];
        yield 'too many pixels' => [
            'bomb.png',
            substr_replace($png, pack('NN', 60_000, 60_000), 16, 8),
            'more than can be drawn',
        ];
        yield 'too large' => ['large.png', $png.str_repeat("\0", 21 * 1024 * 1024), 'is larger than 20 MB'];
    }

    #[DataProvider('unusable')]
    public function test_what_is_no_usable_picture_is_refused_by_name_and_not_stored(
        string $name,
        string $content,
        string $says,
    ): void {
        $section = $this->section();
        $answer = $this->upload($section, [
            UploadedFile::fake()->createWithContent($name, $content),
            $this->file('good.png'),
        ])->assertCreated();

        self::assertSame(1, $answer->json('added'), 'the good one is taken all the same');
        self::assertStringContainsString("\"{$name}\"", self::refusal($answer));
        self::assertStringContainsString($says, self::refusal($answer));
        self::assertSame(1, Slide::query()->count());
    }

    public function test_a_hostile_name_is_only_ever_shown(): void
    {
        $section = $this->section();
        $this->upload($section, [$this->file('$(touch hacked);\'"{}.png')], $section->id)->assertJson(['added' => 1]);

        $slide = Slide::query()->sole();
        self::assertStringContainsString('$(touch hacked)', $slide->name);
        self::assertMatchesRegularExpression('#^lessons/[0-9a-z]{26}/slides/[0-9a-z]{26}\.png$#', $slide->path);
    }

    public function test_no_file_at_all_is_answered(): void
    {
        $this->upload($this->section(), [])
            ->assertUnprocessable()
            ->assertJsonPath('detail', fn (string $says): bool => str_starts_with($says, 'No file arrived.'));
    }

    /** @param  list<UploadedFile>  $files */
    private function upload(Section $section, array $files, ?string $to = null): TestResponse
    {
        return $this->post(
            "/api/lessons/{$section->lesson_id}/slides",
            ['files' => $files] + ($to === null ? [] : ['section' => $to]),
            ['Accept' => 'application/json'],
        );
    }

    private function file(string $name, string $size = '640x360', string $extension = 'png'): UploadedFile
    {
        return UploadedFile::fake()->createWithContent($name, (string) file_get_contents(Clips::slide($size, $extension)));
    }
}
