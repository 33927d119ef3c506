<?php

declare(strict_types=1);

namespace OpenReel\Core\Film;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\SilenceFound;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionScript;
use OpenReel\Core\Captions\EditedCaption;
use OpenReel\Core\Captions\FilmCaptions;
use OpenReel\Core\Captions\Translation;
use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\FilmQuality;
use OpenReel\Core\Render\PicturePieces;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\TransitionSpec;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Sound\MusicLevels;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Style\HouseStyle;

/** A lesson's assembly, and where the files lie that it names by their hash. */
final readonly class FilmPlan
{
    /**
     * @param  array<string, string>  $files  path on the media disk by hash
     * @param  float  $target  LUFS
     * @param  float  $computerUnder  LU by which the computer's sound lies under the voice
     * @param  int  $unread  lines of a draft that the stand-in voice has still to read
     * @param  array<string, string>  $texts  words of the lesson's lines, by id
     * @param  array<string, list<SilenceFound>>  $silences  between words, by section
     * @param  array<string, list<int>>  $idle  numbers of speed cues that no silence belongs to, by section
     * @param  list<EditedCaption>  $set  captions as a person wants them
     * @param  HouseStyle|null  $captionStyle  of captions that are part of the picture
     * @param  array<string, list<Translation>>  $translations  of captions, by language
     */
    public function __construct(
        public Assembly $assembly,
        public array $files,
        public float $target,
        public float $computerUnder = 12.0,
        public int $unread = 0,
        public array $texts = [],
        public MusicLevels $music = new MusicLevels(),
        public array $silences = [],
        public array $idle = [],
        public array $set = [],
        public Language $language = Language::English,
        public FilmQuality $quality = FilmQuality::Balanced,
        public ?HouseStyle $captionStyle = null,
        public array $translations = [],
    ) {
    }

    /** @return list<string> ids of the takes that are used */
    public function takes(): array
    {
        return array_values(
            array_unique(array_filter(array_map(fn (Segment $s): ?string => $s->passage?->take->id, $this->assembly->segments))),
        );
    }

    /** @return list<ShotSpec|TransitionSpec> in order, together as long as the film */
    public function pictures(): array
    {
        return PicturePieces::of($this->assembly, $this->quality);
    }

    public function sound(): SoundPlan
    {
        return SoundPlan::of($this->assembly, $this->target, $this->computerUnder, $this->music);
    }

    /** @return list<Caption> those that are shown, in order */
    public function shownCaptions(): array
    {
        return array_values(array_filter($this->captions(), fn (Caption $c): bool => ! $c->isToFill()));
    }

    /** @return list<Caption> in order, also those that are still to be filled in */
    public function captions(): array
    {
        return FilmCaptions::of($this->assembly, $this->texts, $this->set);
    }

    /** Tells whether an export still shows what the lesson says: a hash of everything that goes into the film. */
    public function hash(): string
    {
        return CacheKey::of(
            'film',
            [
                'pictures' => array_map(fn (ShotSpec|TransitionSpec $s): string => $s->key(''), $this->pictures()),
                'sounds' => array_map(fn (SoundPart $p): string => $p->key(''), SoundPart::all($this->sound())),
                'chapters' => array_map(fn (Chapter $c): string => $c->title, $this->assembly->chapters()),
                'words' => $this->words(),
            ] + ($this->captionStyle === null ? [] : ['captions' => $this->burned($this->captionStyle)]),
            '',
        );
    }

    /** @return array<string, array{seen: string, heard: string}> what is seen and heard in each section, as a hash, by its id */
    public function sections(): array
    {
        $seen = $heard = [];
        foreach (PicturePieces::bySegment($this->assembly, $this->quality) as $n => $pieces) {
            $segment = $this->assembly->segments[$n];
            $passage = $segment->passage;
            $voice = $passage?->take->track(TrackKind::Microphone);
            $seen[$segment->sectionId][] = array_map(fn (ShotSpec|TransitionSpec $s): string => $s->key(''), $pieces);
            $heard[$segment->sectionId][] = $passage === null ? null : [
                $voice?->hash, $passage->span, $passage->take->content->cleanVoice?->key(''), $passage->take->content->silences,
            ];
        }

        $sections = [];
        foreach ($seen as $id => $pictures) {
            $sections[$id] = [
                'seen' => CacheKey::of('seen', ['pictures' => $pictures], ''),
                'heard' => CacheKey::of('heard', ['sounds' => $heard[$id]], ''),
            ];
        }

        return $sections;
    }

    /** What captions look like that are part of the picture. */
    private function burned(HouseStyle $style): string
    {
        return CaptionScript::write([], $this->assembly->frame, $style);
    }

    /** @return array<string, mixed> what the captions are made of */
    private function words(): array
    {
        $lines = array_merge(...array_map(fn (Segment $s): array => $s->passage?->spoken() ?? [], $this->assembly->segments));
        // Which line it is, and not what its id is: the same lesson brought in elsewhere makes the same film.
        $places = array_flip($lines);

        return array_filter([
            'lines' => array_map(fn (string $line): string => $this->texts[$line] ?? '', $lines),
            'translated' => array_map(fn (array $all): array => array_map(
                fn (Translation $t): array => [$places[$t->line] ?? null, $t->word, $t->was, $t->text], $all,
            ), $this->translations),
            'set' => array_map(fn (EditedCaption $c): array => [$places[$c->line] ?? null, $c->word, $c->was, $c->rows], $this->set),
        ], fn (array $part, string $name): bool => $part !== [] || $name !== 'translated', ARRAY_FILTER_USE_BOTH);
    }
}
