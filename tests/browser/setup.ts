import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { voice } from '../../playwright.config';

/** Has a voice speak into the file that Chromium plays to its fake microphone, over and over. */
export default function setup(): void {
    mkdirSync(dirname(voice), { recursive: true });
    const words =
        'Find the day. Then find the first high water. Read the time, and read the height. Now you know when to launch.';
    execFileSync('flite', ['-voice', 'slt', '-t', words, '-o', `${voice}.raw.wav`]);
    execFileSync('ffmpeg', [
        '-v',
        'error',
        '-y',
        '-i',
        `${voice}.raw.wav`,
        '-ar',
        '48000',
        '-ac',
        '1',
        '-af',
        'volume=0.4',
        voice,
    ]);
}
