<?php

declare(strict_types=1);

namespace App\Actions\Music;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Media\Prober;
use App\Media\ProgramFailed;
use App\Media\UnreadableFile;
use App\Models\Lesson;
use App\Models\Music;
use App\People\Memberships;
use App\Queries\Lessons\LessonMusic;
use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\People\Right;
use OpenReel\Core\Render\FlacHeader;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Soundtrack\SoundCommand;

/** Makes music out of somebody's file: as it is, and once more so that it goes round without a seam. */
final class ImportMusic
{
    /** A bed goes round; what is longer would fill the browser's memory. */
    public const LONGEST_SECONDS = 600;

    /** A file is read in this time, or it is none. */
    private const PATIENCE = 120.0;

    private const NAME_LENGTH = 60;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly MediaStore $media,
        private readonly LessonMusic $music,
    ) {
    }

    /**
     * @param  string  $path  of the file
     * @param  string  $name  as its owner calls it
     *
     * @throws UnreadableFile with a sentence, when it is no music
     */
    public function __invoke(Lesson $lesson, string $path, string $name): Music
    {
        $this->mustBeMusic($path);
        [$plain, $round] = [$this->media->draft('flac'), $this->media->draft('flac')];
        try {
            try {
                $log = $this->encoder->run(SoundCommand::music($path, $plain, self::LONGEST_SECONDS), seconds: self::PATIENCE);
            } catch (ProgramFailed $e) {
                throw UnreadableFile::because('This file is damaged: it cannot be played to its end.', $e->getMessage());
            }
            $samples = FlacHeader::samples((string) file_get_contents($plain, length: FlacHeader::BYTES));
            $lufs = LoudnessReport::parse($log)->lufs;
            if ($samples < Tick::RATE || $lufs === null) {
                throw UnreadableFile::because(
                    $samples < Tick::RATE ? 'This is shorter than a second.' : 'Nothing is heard in this file.',
                );
            }
            $seam = min(Tick::RATE, intdiv($samples, 4));
            $this->encoder->run(SoundCommand::goingRound($plain, $samples, $seam, $round), seconds: self::PATIENCE);
            [$hash, $loop] = [(string) hash_file('sha256', $plain), (string) hash_file('sha256', $round)];
            $this->media->commit($plain, LessonMusic::path($hash, 'flac'));
            $this->media->commit($round, LessonMusic::path($loop, 'flac'));
        } finally {
            @unlink($plain);
            @unlink($round);
        }

        // A course's lessons share their music; who has a say in one of them only brings it into that.
        $course = $lesson->course;
        $isShared = $course !== null && Memberships::may(Right::Write, $course);

        return Music::query()->create([
            'course_id' => $isShared ? $course->id : null,
            'lesson_id' => $isShared ? null : $lesson->id,
            'name' => $this->freeName($lesson, $name),
            'hash' => $hash,
            'path' => LessonMusic::path($hash, 'flac'),
            'loop_hash' => $loop,
            'loop_path' => LessonMusic::path($loop, 'flac'),
            'loop_from' => $seam,
            'samples' => $samples,
            'lufs' => $lufs,
        ]);
    }

    private function mustBeMusic(string $path): void
    {
        try {
            $facts = $this->prober->recording($path);
        } catch (ProgramFailed $e) {
            throw UnreadableFile::because('This is no music. Choose an MP3, M4A, Ogg, FLAC or WAV file.', $e->getMessage());
        }
        if ($facts->audioCodec === null) {
            throw UnreadableFile::because('This is no music: nothing is heard in it.');
        }
        if ($facts->seconds > self::LONGEST_SECONDS + 1) {
            throw UnreadableFile::because(sprintf(
                'This lasts %d minutes. Music can last up to ten, and goes round as often as it must: cut it shorter.',
                (int) round($facts->seconds / 60),
            ));
        }
    }

    /** What a cue can call it, and nothing else is called. */
    private function freeName(Lesson $lesson, string $file): string
    {
        $bare = pathinfo(PlainText::row($file), PATHINFO_FILENAME);
        $name = trim(mb_substr((string) preg_replace('/[\[\],\s]+/u', ' ', $bare), 0, self::NAME_LENGTH));
        $name = $name === '' || mb_strtolower($name) === 'none' ? 'Music' : $name;
        $beds = $this->music->of($lesson);
        for ($n = 2, $free = $name; MusicTrack::named($free, $beds) !== null; $n++) {
            $free = "{$name} {$n}";
        }

        return $free;
    }
}
