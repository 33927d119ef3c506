import { expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import type { Lesson, Take } from '../../resources/js/api/types';
import {
    WORK_MS,
    filmOf,
    finish,
    isAccessible,
    listened,
    makeLesson,
    openRecord,
    probe,
    readLesson,
    roll,
    takesOf,
} from './helpers';

const LINES = [
    'The height is given in metres above chart datum.',
    'High water at the quay is at a quarter past seven.',
    'Never trust the table alone when the wind blows hard.',
    'So leave a margin under your keel.',
];

/** Says texts with a voice, each as far as it goes (1 for all) after some seconds of silence; samples of 16 kHz. */
function said(name: string, says: [string, number, number][]): { wave: string; seconds: number } {
    const folder = `${tmpdir()}/reel-said`;
    mkdirSync(folder, { recursive: true });
    const parts = says.map(([text, part, silence]) => {
        const file = `${folder}/line.wav`;
        execFileSync('flite', ['-voice', 'rms', '--setf', 'duration_stretch=1.1', '-t', text, '-o', file]);
        const pcm = execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-ac', '1', '-ar', '16000', '-f', 's16le', '-']);
        const whole = pcm.subarray(0, 2 * Math.floor((pcm.length / 2) * part));
        return Buffer.concat([Buffer.alloc(2 * Math.round(16_000 * silence)), whole]);
    });
    const pcm = Buffer.concat([...parts, Buffer.alloc(32_000)]);
    const raw = `${folder}/${name}.raw`;
    writeFileSync(raw, pcm);
    const wave = `${folder}/${name}.wav`;
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 's16le', '-ar', '16000', '-ac', '1', '-i', raw, wave]);
    rmSync(raw);
    return { wave, seconds: pcm.length / 32_000 };
}

/** A microphone that says a file from the moment the take rolls. */
async function voiceOf(page: Page, wave: string): Promise<void> {
    await page.addInitScript((sound) => {
        const get = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
        navigator.mediaDevices.getUserMedia = async (wanted) => {
            if (wanted?.video) {
                return get(wanted);
            }
            const context = new AudioContext();
            const out = context.createMediaStreamDestination();
            const room = context.createBuffer(1, context.sampleRate, context.sampleRate);
            room.getChannelData(0).forEach((_, i, samples) => (samples[i] = (Math.random() - 0.5) * 0.001));
            const hiss = new AudioBufferSourceNode(context, { buffer: room, loop: true });
            hiss.connect(out);
            hiss.start();
            const bytes = Uint8Array.from(atob(sound), (c) => c.charCodeAt(0));
            const buffer = await context.decodeAudioData(bytes.buffer);
            Object.assign(window, {
                speak: () =>
                    new Promise<void>((done) => {
                        const source = new AudioBufferSourceNode(context, { buffer });
                        source.onended = () => done();
                        source.connect(out);
                        source.start();
                    }),
            });
            return out.stream;
        };
    }, readFileSync(wave).toString('base64'));
}

/** Says all of it, however long a busy machine takes, and ends the take when the recorder has heard it, too. */
async function speak(page: Page): Promise<void> {
    await page.evaluate(() => (window as unknown as { speak: () => Promise<void> }).speak());
    await page.waitForTimeout(400);
    await finish(page);
}

const sectionOf = (lesson: Lesson): string => lesson.sections[0]?.id ?? '';

/** Waits until a take's words were heard. */
async function heard(request: Parameters<typeof takesOf>[0], lesson: Lesson): Promise<Take> {
    const latest = async () => (await takesOf(request, sectionOf(lesson))).at(-1);
    await listened(request, sectionOf(lesson));
    await expect.poll(async () => (await latest())?.alignment ?? null, { timeout: WORK_MS }).not.toBeNull();
    return (await latest()) as Take;
}

test('a take that stumbles is heard, mended by text and by a pickup, and the film has each line once', async ({
    page,
    request,
}) => {
    const stumbles = said('stumbles', [
        [LINES[0] ?? '', 1, 0.6],
        [LINES[0] ?? '', 1, 0.7],
        [LINES[1] ?? '', 0.55, 0.5],
        [LINES[1] ?? '', 1, 0.4],
        ['Sorry, my phone is ringing, one moment please.', 1, 0.6],
        [LINES[3] ?? '', 1, 0.7],
    ]);
    const pickup = said('pickup', [[LINES[2] ?? '', 1, 0.7]]);
    const lesson = await makeLesson(request, 'Heard', [LINES.join(' ')]);
    await voiceOf(page, stumbles.wave);
    await openRecord(page, lesson);
    await roll(page);
    await speak(page);
    const first = await heard(request, lesson);
    expect(first.alignment).toBe('sure');
    expect(first.lines.map((line) => line.heard)).toEqual(['again', 'again', 'missing', 'clean']);
    expect(first.flags).toContain('lines-missing');
    expect(first.flags).toContain('unscripted');

    // The margin and the text tell it.
    await expect(page.getByText('Not every line was heard: the hollow ones are missing.')).toBeVisible();
    await expect(page.locator('.cell.is-missing')).toHaveCount(1);
    const words = page.getByRole('group', { name: 'What this take says' });
    await expect(words.getByText('not in the script', { exact: false })).toBeVisible();
    await expect(words.getByText('again', { exact: true }).first()).toBeVisible();
    await isAccessible(page);

    // A click on a word plays from there.
    await words.getByRole('button', { name: 'High' }).last().click();
    const at = await page
        .locator('.take-picture video')
        .first()
        .evaluate((video) => (video as HTMLVideoElement).currentTime);
    expect(at).toBeGreaterThan(4);
    await page.keyboard.press(' ');

    // What is not in the script is left out by keyboard, brought back by Undo, and left out again.
    await words.getByRole('button', { name: /not in the script/ }).click();
    await page.keyboard.press('Delete');
    await expect(page.getByText('Left out of the film.')).toBeVisible();
    await expect.poll(async () => (await takesOf(request, sectionOf(lesson)))[0]?.cuts.length).toBe(1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await takesOf(request, sectionOf(lesson)))[0]?.cuts.length).toBe(0);
    await words.getByRole('button', { name: /not in the script/ }).click();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await takesOf(request, sectionOf(lesson)))[0]?.cuts.length).toBe(1);

    // Kept, the missing line is the next step: the sentence before is heard, then it is recorded by itself.
    await page.keyboard.press('k');
    await expect(page.locator('.verdict-mark')).toContainText('Kept');
    await voiceOf(page, pickup.wave);
    await page.getByRole('button', { name: /Record the missing line/ }).click();
    await page.reload();
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await expect(page.locator('.prompter')).toHaveText(LINES[2] ?? '');
    await page.keyboard.press('r');
    await expect(page.getByText('Listen: the sentence before. The countdown follows.')).toBeVisible();
    await expect(page.getByText('Counting down')).toBeVisible();
    await expect(page.getByText('Recording', { exact: true })).toBeVisible({ timeout: 10_000 });
    await speak(page);
    const second = await heard(request, lesson);
    expect(second.lines.map((line) => [line.text, line.heard])).toEqual([[LINES[2], 'clean']]);
    await page.keyboard.press('k');
    await expect(page.locator('.verdict-mark')).toContainText('Kept');
    await expect.poll(async () => (await readLesson(request, lesson.id)).sections[0]?.coverage.missing.length).toBe(0);
    const now = (await readLesson(request, lesson.id)).sections[0];
    expect(now?.coverage.missing).toEqual([]);
    expect(now?.coverage.lines.map((line) => line.take)).toEqual([first.id, first.id, second.id, first.id]);

    // The film, heard by the same ears: each line once, in order.
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const folder = test.info().outputPath('film');
    mkdirSync(`${folder}/takes`, { recursive: true });
    writeFileSync(`${folder}/script.md`, `# Film\n\n## One\n\n${LINES.join(' ')}\n`);
    execFileSync('ffmpeg', ['-v', 'error', '-i', film, '-vn', `${folder}/takes/01-1.wav`]);
    const [told] = JSON.parse(execFileSync('bin/reel', ['align', folder, '--json'], { encoding: 'utf8' })) as {
        reads: { line: number; kind: string }[];
        unscripted: unknown[];
    }[];
    expect(told?.reads.map(({ line, kind }) => [line, kind])).toEqual([1, 2, 3, 4].map((line) => [line, 'complete']));
    expect(told?.unscripted).toEqual([]);
    expect(probe(film).seconds).toBeLessThan(stumbles.seconds);
});

test('reads of a line are compared, and one is chosen for it', async ({ page, request }) => {
    const voice = said('two', [
        [LINES[0] ?? '', 1, 0.6],
        [LINES[3] ?? '', 1, 0.6],
    ]);
    const lesson = await makeLesson(request, 'Compared', [`${LINES[0]} ${LINES[3]}`]);
    await voiceOf(page, voice.wave);
    for (const number of [1, 2]) {
        await openRecord(page, lesson);
        await roll(page);
        await speak(page);
        await heard(request, lesson);
        await page.keyboard.press('k');
        await expect(page.getByText(`Take ${number} is kept.`)).toBeVisible();
    }
    await page.getByRole('button', { name: new RegExp(`^${LINES[3]}`) }).click();
    const reads = page.getByRole('group', { name: 'Reads of this line' });
    await expect(reads.getByText(/Take 1 · whole/)).toBeVisible();
    await expect(reads.getByText(/Take 2 · whole/)).toBeVisible();
    await page.keyboard.press('c');
    await expect(reads.locator('.is-playing')).toContainText('Take 1');
    await expect(reads.locator('.is-playing')).toContainText('Take 2', { timeout: 10_000 });
    await reads.getByRole('button', { name: 'Use this take' }).click();
    await expect(page.getByText('Take 1 says this line now.')).toBeVisible();
    const of = async () => (await readLesson(request, lesson.id)).sections[0];
    const [one, two] = (await of())?.takes ?? [];
    await expect.poll(async () => (await of())?.coverage.lines.map((line) => line.take)).toEqual([two?.id, one?.id]);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await of())?.coverage.lines.map((line) => line.take)).toEqual([two?.id, two?.id]);
});
