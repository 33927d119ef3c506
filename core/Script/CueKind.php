<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** What a cue asks for. The value is the word that opens its bracket. */
enum CueKind: string
{
    /** `[slide]` the next slide of the deck, `[slide: Tide curve]` the one of that name. */
    case Slide = 'slide';
    /** `[pause 2 s]` a silence of so many seconds. */
    case Pause = 'pause';
    /** `[layout: camera alone]`, `[layout: slide with inset, top left, large]`. */
    case Layout = 'layout';
    /** `[note: ask the harbour master]` a note to oneself; never spoken. */
    case Note = 'note';
    /** `[target 1:30]` how long the section, or before the first heading the lesson, is meant to be. */
    case Target = 'target';
    /** `[card: opening, 5 s]` the section is a still title page of its heading and words; nobody speaks. */
    case Card = 'card';
    /** `[screen: the tide gauge, live]` a screen is shown, and what is to be seen on it. */
    case Screen = 'screen';
    /** `[board]`, `[board: 2, squared]` a page is written on by hand. */
    case Board = 'board';
    /** `[camera alone]` nothing but the presenter, until something else is shown. */
    case CameraAlone = 'camera alone';
    /** `[keys: Ctrl+S]` the keys pressed are shown for a moment. */
    case Keys = 'keys';

    /** `[join: dissolve, 0.5 s]` how a section meets the one before it: `cut`, `dissolve` or `dip`. */
    case Join = 'join';
    /** `[zoom: 20 10 40, 0.8 s]` that part of the stage fills its place; `[zoom: out]` all of it again. */
    case Zoom = 'zoom';
    /** `[emphasis: box 20 10 30 12]` something is laid over the stage, until `[emphasis: none]`. */
    case Emphasis = 'emphasis';
    /** `[label: The sill, at 20 10]` a few words are laid over the stage, until `[emphasis: none]`. */
    case Label = 'label';
    /** `[picture: Tide clock, at 60 10 30]` a slide is laid over the stage, likewise. */
    case Picture = 'picture';
    /** `[name: Wenna Tregear, shore instructor, 4 s]` says who is seen. */
    case Name = 'name';
    /** `[music: Slack water, -3 dB, in 2 s, out 4 s]` a bed begins; `[music: none]` it ends. */
    case Music = 'music';
    /** `[background: gradient]` lies behind slide and camera; `[background: usual]` as the house style has it. */
    case Background = 'background';
    /** `[step]` one more step of a slide that builds up is seen, `[step: 2]` two. */
    case Step = 'step';
    /** `[speed: 8 x]` the silence before it runs so much faster; `[speed: cut]` it is left out. */
    case Speed = 'speed';

    /** Whether one of this kind takes the place of one of another, from where it stands on; others stand beside each other. */
    public function replaces(self $other): bool
    {
        $states = [self::Layout, self::Zoom, self::Join, self::Target, self::Card, self::Music, self::Speed, self::Background];
        $isState = in_array($this, $states, true);

        return $isState && $this === $other || $this->isStage() && $other->isStage();
    }

    /** Whether it says what is on the stage from there on. */
    public function isStage(): bool
    {
        return in_array($this, [self::Slide, self::Screen, self::Board, self::CameraAlone], true);
    }
}
