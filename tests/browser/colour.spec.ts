import { type APIRequestContext, expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import type { Export, Take } from '../../resources/js/api/types';
import { WORK_MS, choose, finish, makeLesson, openRecord, roll, takesOf } from './helpers';

type Colour = [number, number, number];

/** The wall behind the stand-in presenter, as it is drawn. */
const wall: Colour = [217, 228, 227];

/** Side of the patch whose mean counts: a single pixel carries the noise of the compression. */
const patch = 20;

/** What a picture shows at a place, 0..1 across and down. */
function pixel(file: string, across: number, down: number, seconds: number, told: string): Colour {
    const raw = execFileSync('ffmpeg', [
        ...['-v', 'error', ...(seconds > 0 ? ['-ss', String(seconds)] : []), '-i', file, '-frames:v', '1'],
        ...['-vf', `crop=${patch}:${patch}:iw*${across}:ih*${down},scale=${told},format=rgb24`, '-f', 'rawvideo', '-'],
    ]);
    return mean(raw, 3);
}

/** @param step bytes a pixel */
function mean(bytes: ArrayLike<number>, step: number): Colour {
    const sum: Colour = [0, 0, 0];
    for (let i = 0; i + 2 < bytes.length; i += step) {
        sum.forEach((_, part) => (sum[part] = (sum[part] ?? 0) + (bytes[i + part] ?? 0)));
    }
    return sum.map((one) => Math.round((one * step) / bytes.length)) as Colour;
}

/** What the browser shows of the film or take it plays. */
const played = async (page: Page, url: string, across: number, down: number, seconds: number): Promise<Colour> =>
    mean(
        await page.evaluate(
            async ([address, x, y, at, side]) => {
                const video = document.createElement('video');
                video.muted = true;
                video.src = address;
                await new Promise((ready) => (video.onloadeddata = ready));
                video.currentTime = at;
                await new Promise((there) => (video.onseeked = there));
                const canvas = document.createElement('canvas');
                [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
                const context = canvas.getContext('2d');
                context?.drawImage(video, 0, 0);
                const [left, top] = [Math.floor(canvas.width * x), Math.floor(canvas.height * y)];
                return [...(context?.getImageData(left, top, side, side).data ?? [])];
            },
            [url, across, down, seconds, patch] as const,
        ),
        4,
    );

const near = (found: Colour, meant: Colour, what: string) =>
    found.forEach((value, i) =>
        expect(Math.abs(value - (meant[i] ?? 0)), `${what}: ${found} for ${meant}`).toBeLessThanOrEqual(3),
    );

async function recorded(page: Page, request: APIRequestContext, camera: string): Promise<{ take: Take; film: string }> {
    const lesson = await makeLesson(request, `Colours of ${camera}`, ['[layout: camera alone]\n\nOne line to say.']);
    await openRecord(page, lesson);
    await choose(page, camera, 'Stand-in voice');
    await roll(page);
    await page.waitForTimeout(3000);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    const made = (await (await request.post(`/api/lessons/${lesson.id}/exports`)).json()) as Export;
    const state = async () => ((await (await request.get(`/api/exports/${made.id}`)).json()) as Export).state;
    await expect.poll(state, { timeout: WORK_MS }).toBe('done');
    const film = test.info().outputPath('film.mp4');
    writeFileSync(film, await (await request.get(`/api/exports/${made.id}/file`)).body());
    const [take] = await takesOf(request, lesson.sections[0]?.id);
    expect(take).toBeDefined();
    return { take: take as Take, film };
}

async function poster(request: APIRequestContext, take: Take): Promise<string> {
    const file = test.info().outputPath('poster.jpg');
    writeFileSync(file, await (await request.get(`/api/takes/${take.id}/poster`)).body());
    return file;
}

const hd = 'in_range=tv:in_color_matrix=bt709';
const jfif = 'in_range=pc:in_color_matrix=bt601';

test('what a canvas draws is what film, poster and Watch show', async ({ page, request }) => {
    const { take, film } = await recorded(page, request, 'Stand-in presenter');
    near(pixel(film, 0.06, 0.5, 1, hd), wall, 'film');
    near(pixel(await poster(request, take), 0.06, 0.5, 0, jfif), wall, 'poster');
    near(await played(page, take.media_url, 0.06, 0.5, 1), wall, 'Watch');
});

test('what a camera gives is what film and Watch show', async ({ page, request }) => {
    const { take, film } = await recorded(page, request, 'fake_device_0');
    // The fake camera's ground has one colour; the browser itself says which one. (It lies outside what a JPEG can hold.)
    const seen = await played(page, take.media_url, 0.9, 0.9, 1);
    expect(Math.max(...seen)).toBeGreaterThan(40);
    near(pixel(film, 0.9, 0.9, 1, hd), seen, 'film');
});
