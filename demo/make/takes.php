<?php

declare(strict_types=1);

/**
 * Records the takes of the demo lesson with the stand-in presenter: a drawn figure that moves and speaks. Run again
 * after changing the script: php demo/make/takes.php [FOLDER [TAKE...]]. Without a folder the demo's own takes are replaced;
 * with names only those takes are recorded. Needs flite, librsvg and ffmpeg.
 */

use App\Media\FliteVoice;
use App\Media\Program;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Sound\LevelReader;

require __DIR__.'/../../vendor/autoload.php';
require __DIR__.'/presenter.php';

const FPS = 25;
const LESSON = __DIR__.'/../lesson';

/** The takes: file name, section, lines (all when null), and how it went. */
$takes = [
    [
        '02-1-discard',
        2,
        'Welcome to Reading the Water, the shore course of the Salt... the Saltmash... Sorry. Let me start again.',
        [],
    ],
    ['02-2', 2, null, []],
    ['03-1', 3, null, ['leaves out' => [5]]],
    ['03-2-lines-6', 3, null, ['only' => [5]]],
    ['04-1', 4, null, []],
    ['05-1-undecided', 5, null, ['fan' => true]],
    ['05-2', 5, null, []],
    ['06-1', 6, null, []],
    ['08-1-undecided', 8, null, ['breaks off' => [2, 4]]],
];

$folder = $argv[1] ?? LESSON.'/takes';
$only = array_slice($argv, 2);
$script = Script::parse((string) file_get_contents(LESSON.'/script.md'));
$work = sys_get_temp_dir().'/reel-demo-'.getmypid();
mkdir($work);
drawPresenter($work);
foreach ($takes as [$name, $section, $words, $how]) {
    if ($only !== [] && ! in_array($name, $only, true)) {
        continue;
    }
    $lines = array_map(fn (Line $l): string => $l->text, $script->sections[$section - 1]->lines);
    $lines = array_diff_key($lines, array_flip($how['leaves out'] ?? []));
    $lines = isset($how['only']) ? array_intersect_key($lines, array_flip($how['only'])) : $lines;
    $words ??= implode("\n", withFalseStarts($lines, $how['breaks off'] ?? []));
    $sound = speak($words, $work, isset($how['fan']));
    record($sound, $work, "{$folder}/{$name}.webm");
    echo $name, ' ', round(filesize("{$folder}/{$name}.webm") / 1024), " KB\n";
}
array_map(unlink(...), glob("{$work}/*") ?: []);
rmdir($work);

/** The voice with a breath before and after, in a room that is never quite silent; with a fan that hums, or without. */
function speak(string $words, string $work, bool $hasFan): string
{
    (new FliteVoice('flite'))->speak(spelledOut($words), "{$work}/voice.wav");
    $noise = $hasFan
        ? 'anoisesrc=r=48000:c=pink:a=0.1:s=7[fan];sine=f=50:r=48000,volume=0.05[hum];[fan][hum]amix=duration=first:normalize=0'
        : 'anoisesrc=r=48000:c=brown:a=0.002:s=7';
    Program::run([
        'ffmpeg',
        '-v',
        'error',
        '-y',
        '-i',
        "{$work}/voice.wav",
        '-f',
        'lavfi',
        '-i',
        $noise,
        '-filter_complex',
        '[0:a]aresample=48000,volume=-4dB,adelay=1100,apad=pad_dur=1.2[v];[v][1:a]amix=duration=first:normalize=0',
        '-c:a',
        'pcm_s16le',
        '-ac',
        '1',
        "{$work}/sound.wav",
    ]);

    return "{$work}/sound.wav";
}

/**
 * Lines as somebody says them who breaks some of them off in the middle and begins anew.
 *
 * @param  array<int, string>  $lines
 * @param  list<int>  $broken  indexes
 * @return list<string>
 */
function withFalseStarts(array $lines, array $broken): array
{
    $said = [];
    foreach ($lines as $i => $line) {
        if (in_array($i, $broken, true)) {
            $words = explode(' ', $line);
            $said[] = rtrim(implode(' ', array_slice($words, 0, intdiv(count($words) * 3, 5))), ',;').'.';
        }
        $said[] = $line;
    }

    return $said;
}

/** The voice runs "twelfths" together unless helped. */
function spelledOut(string $words): string
{
    return str_replace(['Wenna', 'neaps', 'neap'], ['Wenn a', 'neeps', 'neep'], $words);
}

/** One picture a frame, chosen by how loud the voice is, swaying a little. */
function record(string $sound, string $work, string $out): void
{
    Program::run(['ffmpeg', '-v', 'error', '-y', '-i', $sound, '-f', 's16le', "{$work}/levels.pcm"]);
    $stream = fopen("{$work}/levels.pcm", 'r') ?: throw new RuntimeException('No levels were written.');
    $levels = LevelReader::read($stream);
    fclose($stream);
    $loudest = $levels->percentile(0.98);
    $list = "ffconcat version 1.0\n";
    $open = 0.0;
    foreach (array_chunk($levels->rms, max(1, intdiv(100, FPS))) as $frame => $windows) {
        $target = max(0.0, min(1.0, (max($windows) - $loudest + 26) / 24));
        $open += ($target - $open) * 0.6;
        $blink = $frame % 92 < 4 ? 1 : 0;
        $list .= sprintf("file 'figure-%d-%d.png'\nduration 0.04\n", (int) round($open * (MOUTHS - 1)), $blink);
    }
    file_put_contents("{$work}/frames.txt", $list);
    Program::run([
        'ffmpeg',
        '-v',
        'error',
        '-y',
        '-loop',
        '1',
        '-framerate',
        (string) FPS,
        '-i',
        "{$work}/room.png",
        '-f',
        'concat',
        '-safe',
        '0',
        '-i',
        "{$work}/frames.txt",
        '-i',
        $sound,
        '-filter_complex',
        '[1:v]fps=25[f];[0:v][f]overlay=x=8*sin(0.9*t)-8:y=3*sin(1.7*t)+3:shortest=1,format=yuv420p[v]',
        '-map',
        '[v]',
        '-map',
        '2:a',
        '-c:v',
        'libvpx-vp9',
        '-b:v',
        '0',
        '-crf',
        '40',
        '-deadline',
        'realtime',
        '-cpu-used',
        '7',
        '-row-mt',
        '1',
        '-g',
        '125',
        '-c:a',
        'libopus',
        '-b:a',
        '48k',
        '-shortest',
        $out,
    ]);
}
