<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Takes\GiveVerdict;
use App\Media\MediaStore;
use App\Media\PieceRenderer;
use App\Media\Program;
use App\Media\SoundRenderer;
use App\Models\Lesson;
use App\Models\Take;
use App\Queries\Film\AssembleLesson;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Take\Verdict;

/**
 * Exports of a lesson of twelve sections, beside what plain ffmpeg needs for the same: a film made in one lean command,
 * and the finished segments joined by stream copy. All in wall time, in one run.
 */
final class ExportBench implements Bench
{
    public function __construct(
        private readonly TwelveSections $twelve,
        private readonly AssembleLesson $assemble,
        private readonly GiveVerdict $decide,
        private readonly PieceRenderer $pieces,
        private readonly SoundRenderer $sounds,
        private readonly MediaStore $media,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (
            array_filter(
                ['export_vs_direct', 'reexport_one_of_12', 'export_cached_vs_copy', 'keep_to_film_ms_per_minute'],
                $wanted,
            ) === []
        ) {
            return;
        }
        $lesson = $this->twelve->make($folder);
        // Once each to warm the machine's file cache, which both then share.
        $direct = $this->direct($lesson, "{$folder}/direct.mp4");
        $full = $this->twelve->exportSeconds($lesson);
        $cached = min($this->twelve->exportSeconds($lesson), $this->twelve->exportSeconds($lesson));
        $copy = min($this->copy($folder), $this->copy($folder));
        /** @var Take $take */
        $take = Take::query()
            ->where('number', 2)
            ->whereIn('section_id', $lesson->sections()->pluck('id'))
            ->firstOrFail();
        $take->section
            ->takes()
            ->where('verdict', Verdict::Kept)
            ->update(['verdict' => Verdict::Undecided]);
        $take->update(['verdict' => Verdict::Kept]);
        $again = $this->twelve->exportSeconds($lesson);

        yield 'export_vs_direct' => [round($full / $direct, 2), '<= 0.95'];
        yield 'reexport_one_of_12' => [round($again / $full, 3), '<= 0.12'];
        yield 'keep_to_film_ms_per_minute' => [$this->keepToFilm($lesson), '<= 2000'];
        yield 'export_cached_vs_copy' => [round($cached / $copy, 2), '<= 1.5'];
    }

    /** From Keep of the last take, with everything else made in the background before, to the finished, checked film. */
    private function keepToFilm(Lesson $lesson): int
    {
        /** @var Take $last */
        $last = Take::query()
            ->whereIn('section_id', $lesson->sections()->pluck('id'))
            ->where('verdict', Verdict::Kept)
            ->latest('section_id')
            ->firstOrFail();
        $last->update([
            'verdict' => Verdict::Undecided,
            'trim' => [[24_000, $last->summary->length_ticks]],
        ]);
        // What the background does: all that is kept, and then the new take.
        foreach ([null, $last->id] as $asKept) {
            $plan = ($this->assemble)($lesson, $asKept);
            foreach ($plan->pictures() as $spec) {
                $this->pieces->make($this->pieces->order($spec), $plan->files);
            }
            foreach (SoundPart::all($plan->sound()) as $part) {
                $this->sounds->part($part, $plan->files);
            }
        }
        $start = hrtime(true);
        ($this->decide)($last, Verdict::Kept);
        $spent = (hrtime(true) - $start) / 1e9 + $this->twelve->exportSeconds($lesson);

        return (int) round((1000 * $spent) / (($this->assemble)($lesson)->assembly->length()->seconds() / 60));
    }

    /** The same film as one command written by hand: same layout, same encoder settings, one fixed gain for the sound. */
    private function direct(Lesson $lesson, string $out): float
    {
        $inputs = [];
        $graph = '';
        $joined = '';
        foreach ($lesson->sections()->with('slide')->get() as $i => $section) {
            $take = $section->takes()->where('verdict', Verdict::Kept)->firstOrFail();
            [[$from, $until]] = $take->trim ?? [[0, $take->summary->length_ticks]];
            $seconds = ($until - $from) / 48_000;
            array_push($inputs, '-i', $this->media->path((string) $section->slide?->path));
            array_push(
                $inputs,
                '-ss',
                sprintf('%.4F', $from / 48_000),
                '-t',
                sprintf('%.4F', $seconds),
                '-i',
                $this->media->path((string) $take->track(TrackKind::Camera)?->file_path),
            );
            [$slide, $camera] = [2 * $i, 2 * $i + 1];
            $graph .=
                "[{$slide}:v]scale=1920:1080,format=yuv420p,loop=loop=-1:size=1,fps=30,trim=duration={$seconds}[s{$i}];".
                "[{$camera}:v]fps=30,scale=460:258[c{$i}];[s{$i}][c{$i}]overlay=1416:778:shortest=1[v{$i}];".
                "[{$camera}:a]aresample=48000,volume=3dB,aformat=channel_layouts=stereo[a{$i}];";
            $joined .= "[v{$i}][a{$i}]";
        }
        $graph .= $joined.'concat=n='.TwelveSections::COUNT.':v=1:a=1[v][a]';
        $start = hrtime(true);
        Program::run([
            'ffmpeg',
            '-v',
            'error',
            '-y',
            ...$inputs,
            '-filter_complex',
            $graph,
            '-map',
            '[v]',
            '-map',
            '[a]',
            '-c:v',
            'libx264',
            '-preset',
            'veryfast',
            '-crf',
            '20',
            '-g',
            '60',
            '-c:a',
            'aac',
            '-b:a',
            '160k',
            '-movflags',
            '+faststart',
            $out,
        ]);

        return (hrtime(true) - $start) / 1e9;
    }

    /** What joining costs at the least: the same segments and soundtrack, stream copy, checked by nobody. */
    private function copy(string $folder): float
    {
        $list = "{$folder}/copy.txt";
        $segments = glob($this->media->path('renders/shot/*/*.mp4')) ?: [];
        file_put_contents($list, implode('', array_map(fn (string $s): string => "file '{$s}'\n", $segments)));
        $sound = (glob($this->media->path('renders/soundtrack/*/*.m4a')) ?: [''])[0];
        $start = hrtime(true);
        Program::run([
            'ffmpeg',
            '-v',
            'error',
            '-y',
            '-f',
            'concat',
            '-safe',
            '0',
            '-i',
            $list,
            '-i',
            $sound,
            '-map',
            '0:v',
            '-map',
            '1:a',
            '-c',
            'copy',
            '-movflags',
            '+faststart',
            "{$folder}/copy.mp4",
        ]);

        return (hrtime(true) - $start) / 1e9;
    }
}
