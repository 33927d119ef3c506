import { type APIRequestContext, expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Lesson, Take } from '../../resources/js/api/types';
import { filmOf, isAccessible, listened, makeLesson, silences } from './helpers';

const SCRIPT = `Not every day is the same. Twice a month, around new moon and full moon, the sun and the moon pull together.
High water is higher and low water is lower. We call these spring tides.

A week later they pull across each other. The range is small, and we call these neaps.

In our creek a spring range is about four and a half metres, and a neap range only two. For a first outing, choose a neap.`;

/** A take as it comes from a recorder. */
async function sent(request: APIRequestContext, lesson: Lesson, file: string): Promise<Take> {
    const section = lesson.sections[0]?.id ?? '';
    const bytes = readFileSync(file);
    const tracks = [{ kind: 'camera', mime: 'video/webm' }];
    const take = (await (await request.post(`/api/sections/${section}/takes`, { data: { tracks } })).json()) as Take;
    const track = take.tracks[0]?.id ?? '';
    await request.put(`/api/tracks/${track}/chunks/0`, {
        data: bytes,
        headers: {
            'Content-Type': 'application/octet-stream',
            'X-Chunk-SHA256': createHash('sha256').update(bytes).digest('hex'),
        },
    });
    await request.post(`/api/takes/${take.id}/finish`, {
        data: { tracks: [{ id: track, chunks: 1, bytes: bytes.length }] },
    });
    return listened(request, section);
}

/** By how many dB the quietest tenth of a film's sound lies under all of it. */
function under(film: string): number {
    const pcm = execFileSync('ffmpeg', [
        ...['-v', 'error', '-i', film, '-vn', '-ac', '1', '-ar', '16000', '-f', 's16le', '-'],
    ]);
    const energy = Array.from({ length: Math.floor(pcm.length / 320) }, (_, window) => {
        let sum = 0;
        for (let i = 0; i < 160; i++) {
            sum += pcm.readInt16LE(320 * window + 2 * i) ** 2;
        }
        return sum;
    }).sort((one, other) => one - other);
    const mean = (of: number[]) => of.reduce((sum, one) => sum + one, 1) / of.length;
    return 10 * Math.log10(mean(energy) / mean(energy.slice(0, energy.length / 10)));
}

const open = async (page: Page, lesson: Lesson) => {
    await page.goto(`/lessons/${lesson.id}/review/${lesson.sections[0]?.id}`);
    await expect(page.getByText(/used of/)).toBeVisible();
};

const video = (page: Page) => page.locator('.take-picture .camera video, .take-picture video').first();

test('a noisy take says so, and plays where nothing but the room is heard', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'A fan', [SCRIPT]);
    await sent(request, lesson, 'demo/lesson/takes/05-1-undecided.webm');
    await open(page, lesson);
    const flags = page.getByRole('list', { name: 'To look at in this take' });
    await expect(flags.getByText(/The room is loud/)).toBeVisible();
    await expect(flags.getByText(/Hum of the mains is heard/)).toBeVisible();
    await isAccessible(page);

    // Where the room alone is heard: nobody speaks there.
    await flags.getByRole('button', { name: 'Hear it' }).first().click();
    await expect.poll(() => video(page).evaluate((one: HTMLVideoElement) => one.paused)).toBe(false);
    const place = await video(page).evaluate((one: HTMLVideoElement) => one.currentTime);
    expect(place < 1.3 || place > 26.5).toBe(true);
});

test('noise and hum are taken out, heard before and after, and out of the film', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'A fan, cleaned', [SCRIPT]);
    await sent(request, lesson, 'demo/lesson/takes/05-1-undecided.webm');
    await open(page, lesson);
    const flags = page.getByRole('list', { name: 'To look at in this take' });
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    const before = await filmOf(request, lesson.id, test.info().outputPath('before.mp4'));

    await page.getByRole('button', { name: 'Sound: as recorded' }).click();
    const panel = page.getByRole('group', { name: 'Sound of this take' });
    await expect(panel.getByText(/only \d+ dB under your voice/)).toBeVisible();
    await panel.getByLabel('Light').check();
    await panel.getByLabel(/Filter the hum/).check();
    await expect(page.getByRole('button', { name: 'Sound: less noise, no hum' })).toBeVisible();
    await expect(flags, 'what is cleaned need not be looked at').toHaveCount(0);
    await isAccessible(page);
    const muted = () => video(page).evaluate((one: HTMLVideoElement) => one.muted);
    await expect.poll(muted, 'the cleaned sound is played in its place').toBe(true);
    await page.locator('body').click({ position: { x: 4, y: 400 } });
    await page.keyboard.press('b');
    await expect.poll(muted, 'before').toBe(false);
    await page.keyboard.press('b');
    await expect.poll(muted, 'after').toBe(true);

    const after = await filmOf(request, lesson.id, test.info().outputPath('after.mp4'));
    expect(under(after)).toBeGreaterThan(under(before) + 8);

    // It is there again in another window, and goes with one press.
    await page.reload();
    await expect(page.getByRole('button', { name: 'Sound: less noise, no hum' })).toBeVisible();
    await page.getByRole('button', { name: /^Sound:/ }).click();
    await page.getByRole('button', { name: /As in the lesson/ }).click();
    await expect(page.getByRole('button', { name: 'Sound: as recorded' })).toBeVisible();
});

test('words are silent in the film, chosen by keyboard, and the section is watched over it', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Silenced', [SCRIPT]);
    await sent(request, lesson, 'demo/lesson/takes/05-2.webm');
    await open(page, lesson);
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    const words = page.getByRole('group', { name: 'What this take says' });
    await words.getByRole('button', { name: 'Twice' }).focus();
    for (let i = 0; i < 7; i++) {
        await page.keyboard.press('Shift+ArrowRight');
    }
    await page.keyboard.press('s');
    await expect(page.getByText('Silent in the film; the picture goes on.')).toBeVisible();
    await expect(words.getByRole('button', { name: 'Twice, silent' })).toBeVisible();

    await page.locator('body').click({ position: { x: 4, y: 400 } });
    await page.keyboard.press('w');
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByText('as it is in the film')).toBeVisible();
    const frame = async () => Number(await dialog.locator('.frame-picture').getAttribute('data-frame'));
    await expect.poll(frame).toBeGreaterThan(10);
    await page.keyboard.press('p');
    await expect(dialog.getByRole('button', { name: 'Watch', exact: true })).toBeVisible();
    await isAccessible(page);
    // The keys of the room are not heard meanwhile.
    await page.keyboard.press('d');
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
    await expect(page.getByText('Kept', { exact: true })).toBeVisible();

    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const long = silences(film).filter(([from, until]) => until - from > 1.5);
    expect(long).toHaveLength(1);

    await words.getByRole('button', { name: 'Twice, silent' }).focus();
    for (let i = 0; i < 7; i++) {
        await page.keyboard.press('Shift+ArrowRight');
    }
    await page.keyboard.press('s');
    await expect(words.getByRole('button', { name: 'Twice', exact: true })).toBeVisible();
    const again = await filmOf(request, lesson.id, test.info().outputPath('again.mp4'));
    expect(silences(again).filter(([from, until]) => until - from > 1.5)).toHaveLength(0);
});

test('takes that do not go together are told at their join, which can be watched', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Two rooms', [SCRIPT]);
    const section = lesson.sections[0];
    const noisy = await sent(request, lesson, 'demo/lesson/takes/05-1-undecided.webm');
    const quiet = await sent(request, lesson, 'demo/lesson/takes/05-2.webm');
    await request.patch(`/api/takes/${quiet.id}`, { data: { verdict: 'kept' } });
    const lines = section?.lines.slice(0, 2).map((line) => line.id);
    await request.put(`/api/lessons/${lesson.id}/choices`, { data: { lines, take: noisy.id } });
    await open(page, lesson);
    await page.getByRole('button', { name: /^Take 2,/ }).click();
    const join = page.getByText(/Behind take 1, .*the room is quieter/);
    await expect(join).toBeVisible();
    await page.getByRole('button', { name: 'Watch the join' }).click();
    await expect(page.getByRole('dialog').getByRole('button', { name: 'Pause' })).toBeVisible();
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Start a tenth of a second later' }).focus();
    const start = async () => Number((await listened(request, section?.id ?? '')).used_from_ms);
    const was = await start();
    await page.keyboard.press('Shift+ArrowRight');
    await expect.poll(start, 'one frame of 25 a second').toBe(was + 40);
});
