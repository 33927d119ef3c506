<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** What is wrong with a cue that cannot be followed, and how it is written. */
final class CueProblem
{
    /** For each kind that can be wrong what is said; `%s` stands for what the cue says. */
    private const SAYS = [
        'pause' => '"[pause %s]" names no length. Write [pause 2 s] or [pause 1:30].',
        'target' => '"[target %s]" names no length. Write [target 2 s] or [target 1:30].',
        'layout' => '"%s" is no layout. Write [layout: slide with inset], [layout: slide alone], [layout: side by side] or '
            .'[layout: camera alone].',
        'card' => '"%s" is no card. Write [card: opening, 5 s], [card: divider, 3 s], [card: closing, 5 s], '
            .'[card: quotation, 6 s] or [card: question, 8 s].',
        'screen' => 'A screen is asked for, and nobody says what is to be seen on it. Write [screen: the tide gauge].',
        'board' => '"%s" is no page of the board. Write [board], [board: 2] or [board: 2, squared].',
        'camera alone' => 'Write [camera alone] without anything behind it.',
        'keys' => 'No keys are named. Write [keys: Ctrl+S].',
        'join' => '"%s" is no join. Write [join: dissolve, 0.5 s], [join: push, 0.5 s], [join: dip, 1 s] or [join: cut].',
        'zoom' => '"%s" is no part of the picture. Write [zoom: 20 10 40] (left, top and width in per cent) or [zoom: out].',
        'emphasis' => '"%s" cannot be drawn. Write [emphasis: box 20 10 30 12], round, underline, arrow or spotlight and its '
            .'place in per cent; or [emphasis: none].',
        'music' => '"%s" is no music. Write [music: Slack water], and if you like behind commas a level (-3 dB), in 2 s, '
            .'out 4 s, once; or [music: none].',
        'speed' => '"%s" is no speed. Write [speed: 4 x] (2 to 16) or [speed: cut] before the word that follows a silence.',
        'step' => '"%s" is no step. Write [step] for the next one, or [step: 2].',
        'background' => 'No background is named. Write [background: gradient], [background: accent], [background: 1B2430] or '
            .'the name of a slide.',
        'label' => '"%s" says not what is to be seen, or not where. Write [label: The sill, at 20 10]: its place in per cent '
            .'of the stage.',
        'picture' => '"%s" says not what is to be seen, or not where. Write [picture: Tide clock, at 60 10 30]: its place in '
            .'per cent of the stage.',
    ];

    /** @return string|null a sentence; null when it can be followed */
    public static function of(Cue $cue): ?string
    {
        return self::canBeFollowed($cue) ? null : sprintf(self::SAYS[$cue->kind->value] ?? '"%s" cannot be read.', $cue->value);
    }

    private static function canBeFollowed(Cue $cue): bool
    {
        $value = $cue->value;

        return match ($cue->kind) {
            CueKind::Slide, CueKind::Name, CueKind::Note => true,
            CueKind::Pause, CueKind::Target => $cue->length() !== null,
            CueKind::Layout => LayoutCue::parse($value) !== null,
            CueKind::Card => CardCue::parse($cue) !== null,
            CueKind::Screen => $value !== '',
            CueKind::Board => BoardCue::parse($value) !== null,
            CueKind::CameraAlone => $value === '',
            CueKind::Keys => Keys::parse($value) !== [],
            CueKind::Join => TransitionCue::parse($value) !== null,
            CueKind::Zoom => ZoomCue::parse($value) !== null,
            CueKind::Emphasis => EmphasisCue::parse($value) !== null,
            CueKind::Music => MusicCue::parse($value) !== null,
            CueKind::Speed => SpeedCue::parse($value) !== null,
            CueKind::Step => preg_match('/^\d{0,2}$/', $value) === 1,
            CueKind::Background => BackgroundCue::parse($value) !== null,
            CueKind::Label => self::isPlaced($value, 2),
            CueKind::Picture => self::isPlaced($value, 3),
        };
    }

    /** @param  int  $numbers  how many its place has */
    private static function isPlaced(string $value, int $numbers): bool
    {
        $options = Options::parse($value, $numbers);

        return $options->words !== '' && $options->at !== null;
    }
}
