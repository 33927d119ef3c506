<?php

declare(strict_types=1);

namespace Tests\Core\Style;

use OpenReel\Core\Picture\Board;
use OpenReel\Core\Picture\BoardPaper;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Script\CardKind;
use OpenReel\Core\Style\BackdropDrawing;
use OpenReel\Core\Style\CaptionLook;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\DraftMark;
use OpenReel\Core\Style\FilmName;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\KeysDrawing;
use OpenReel\Core\Style\LabelDrawing;
use OpenReel\Core\Style\NameDrawing;
use OpenReel\Core\Style\SettingKind;
use OpenReel\Core\Style\StyleSettings;
use OpenReel\Core\Style\ThumbnailDrawing;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Everything that is drawn in a house style, in many of them. */
final class RecordedStyleTest extends TestCase
{
    public function test_drawings_are_what_they_were(): void
    {
        $made = new MadeUp(12);
        $answers = [];
        foreach (range(1, 16) as $round) {
            $style = HouseStyle::of($this->settings($made));
            $frame = FrameSize::of(...$made->one([[1920, 1080], [1280, 720], [720, 1280], [640, 640]]));
            $words = $made->sentence($made->between(1, 12), false);
            $answers["style {$round}"] = [
                $style->toArray(), $style->chosen(), $style->warnings(), $style->with(['layout_move' => 300])->layoutMove,
            ];
            foreach (CardKind::cases() as $kind) {
                $card = CardDrawing::of(
                    $frame, $style, $words,
                    $made->oneIn(4) ? '' : implode("\n", [$made->sentence(9), $made->sentence($made->between(2, 60))]), $kind,
                );
                $answers["style {$round}, {$kind->value}"] = [
                    $card->isCutOff, $card->svg(), $kind === CardKind::Question ? $card->counting(2, 5)->svg() : null,
                ];
            }
            $caps = array_map(fn (): string => $made->one(['Ctrl', 'Shift', 'S', 'F5', 'Page down']), range(1, $made->between(1, 3)));
            $answers["style {$round}, laid over"] = [
                (new LabelDrawing($words, $style->colours->accent, $frame, $style))->svg(),
                (new NameDrawing('Wenna Tregear', $made->one(['', 'shore instructor', $words]), $frame, $style))->svg(),
                (new KeysDrawing($caps, $frame, $style))->svg(),
                (new NameDrawing(str_repeat('Wenna ', 8), str_repeat('instructor, ', 6), $frame, $style))->layer()->rect,
            ];
            $answers["style {$round}, places"] = [
                (new NameDrawing('Wenna Tregear', '', $frame, $style))->layer()->rect,
                (new KeysDrawing($caps, $frame, $style))->layer()->rect,
                (new DraftMark($frame, $style))->layer(), CaptionLook::of($style, $frame),
                (new LabelDrawing($words, $style->colours->ink, $frame, $style))->still(),
                $style->colours->pens(),
            ];
            $answers["style {$round}, grounds"] = [
                (new DraftMark($frame, $style))->svg(), BackdropDrawing::usual($style, $frame)?->svg(),
                (new BackdropDrawing($style->colours->ground, $style->colours->accent, $frame))->svg(),
                (new ThumbnailDrawing($words, 'Reading the Water', $frame, $style))->svg('picture'),
            ];
            foreach (BoardPaper::cases() as $paper) {
                $answers["style {$round}, board {$paper->value}"] = Board::svg(
                    $paper, $frame, $style->colours->paper, $style->colours->ground, $style->colours->ink,
                );
            }
        }
        Recorded::same('drawings', $answers);
    }

    public function test_settings_are_checked_as_they_were(): void
    {
        $values = [
            '', 'on', 'off', 'none', 'cut', 'dissolve, 0.5 s', 'plain', 'en', 'FFFFFF', '#00ff00', 'FFF', '{lesson}', '{nothing}', 0, 1,
            3, 10, 11, 25, 300, 1920, -16, null,
            str_repeat('x', 100), str_repeat('x', 101), "two\nrows", 1.5, [], true,
        ];
        $answers = [];
        foreach (StyleSettings::all() as $name => $setting) {
            $answers[$name] = [
                $setting->kind, $setting->default, $setting->choices, array_map($setting->allows(...), $values),
                HouseStyle::possible([$name => 'nonsense']),
            ];
        }
        $answers['once'] = StyleSettings::once();
        foreach (['{lesson}', '{course} {number} {lesson}', '{date} {size}', '', '{wrong}', 'a/b: {lesson}'] as $pattern) {
            $answers["film {$pattern}"] = [
                FilmName::unknown($pattern),
                FilmName::of($pattern, ['lesson' => 'Tides: one', 'course' => 'Reading the Water', 'number' => '3'], ['draft'], 'mp4'),
            ];
        }
        $made = new MadeUp(13);
        foreach (range(1, 30) as $n) {
            $colour = Colour::of(sprintf('%06X', $made->between(0, 0xFFFFFF)));
            $answers["colour {$colour->hex}"] = [
                $colour->drawnAs601()->hex, $colour->opposite()->hex, $colour->contrast(Colour::of('FFFFFF')),
                $colour->contrast(Colour::of('1B2430')),
            ];
        }
        Recorded::same('settings', $answers);
    }

    /** @return array<string, mixed> */
    private function settings(MadeUp $made): array
    {
        $chosen = [];
        foreach (StyleSettings::all() as $name => $setting) {
            if (! in_array($name, StyleSettings::once(), true)) {
                $chosen[$name] = match ($setting->kind) {
                    SettingKind::Choice => $made->one($setting->choices ?: [null]),
                    SettingKind::Colour => sprintf('%06X', $made->between(0, 0xFFFFFF)),
                    default => null,
                };
            }
        }

        return array_filter($chosen, fn (mixed $value): bool => $value !== null);
    }
}
