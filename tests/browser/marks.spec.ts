import { type APIRequestContext, expect, type Locator, test } from '@playwright/test';
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Lesson, Take } from '../../resources/js/api/types';
import { filmOf, makeLesson, slides, takesOf } from './helpers';

/** A take of four seconds during which a box was drawn from second 1 to 3, kept and used whole. */
async function taken(request: APIRequestContext, lesson: Lesson): Promise<Take> {
    const section = lesson.sections[0]?.id ?? '';
    const file = test.info().outputPath('take.webm');
    execFileSync('ffmpeg', [
        ...['-v', 'error', '-y', '-f', 'lavfi', '-i', 'testsrc2=s=320x240:r=25:d=4'],
        ...['-f', 'lavfi', '-i', 'sine=f=220:d=4', '-c:v', 'libvpx', '-b:v', '300k', '-c:a', 'libopus', file],
    ]);
    const bytes = readFileSync(file);
    const tracks = [{ kind: 'camera', mime: 'video/webm' }];
    const made = (await (await request.post(`/api/sections/${section}/takes`, { data: { tracks } })).json()) as Take;
    const track = made.tracks[0]?.id ?? '';
    const hash = createHash('sha256').update(bytes).digest('hex');
    await request.put(`/api/tracks/${track}/chunks/0`, { data: bytes, headers: { 'X-Chunk-SHA256': hash } });
    const box = { at_ms: 1000, kind: 'box', for_ms: 2000, x: 0.2, y: 0.25, width: 0.4, height: 0.5, colour: '0B5D66' };
    await request.put(`/api/takes/${made.id}/events/0`, { data: Buffer.from(JSON.stringify(box)) });
    const sent = [{ id: track, chunks: 1, bytes: bytes.length }];
    await request.post(`/api/takes/${made.id}/finish`, { data: { tracks: sent } });
    const state = async () => (await takesOf(request, lesson.id, section))[0]?.state;
    await expect.poll(state, { timeout: 30_000 }).toBe('ready');
    const kept = { verdict: 'kept', used_from_ms: 0, used_until_ms: 4000 };
    return (await (await request.patch(`/api/takes/${made.id}`, { data: kept })).json()) as Take;
}

/** A frame of the film as a picture. */
function frameOf(film: string, frame: number): string {
    const file = test.info().outputPath(`film-${frame}.png`);
    const filter = `select=eq(n\\,${frame}),scale=in_range=tv:in_color_matrix=bt709,format=rgb24`;
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', film, '-vf', filter, '-frames:v', '1', file]);
    return file;
}

/** How like each other two pictures are, 0..1 (SSIM): smaller than either, so that neither is blown up. */
function likeness(one: string, other: string): number {
    const graph =
        '[0:v]scale=640:360:flags=area,format=gray[a];[1:v]scale=640:360:flags=area,format=gray[b];[a][b]ssim';
    const { stderr } = spawnSync('ffmpeg', ['-i', one, '-i', other, '-lavfi', graph, '-f', 'null', '-'], {
        encoding: 'utf8',
    });
    return Number(/All:([\d.]+)/.exec(stderr)?.[1]);
}

/** The mean colour of a small patch, at the size of the film. */
function colour(file: string, x: number, y: number): number[] {
    const filter = `scale=1280:720,format=rgb24,crop=4:2:${x}:${y},scale=1:1`;
    return [...execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-vf', filter, '-f', 'rawvideo', '-'])];
}

test('a box drawn while recording is seen for two seconds, in the browser as in the film', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'A box', ['[layout: slide alone]\n\nLook here.']);
    const slide = { name: 'tide.png', mimeType: 'image/png', buffer: readFileSync(slides(1)[0] ?? '') };
    await request.post(`/api/lessons/${lesson.id}/slides`, {
        multipart: { 'files[0]': slide, section: lesson.sections[0]?.id ?? '' },
    });
    await taken(request, lesson);
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));

    await page.setViewportSize({ width: 1600, height: 1100 });
    await page.goto(`/lessons/${lesson.id}/finish`);
    const stage: Locator = page.getByRole('group', { name: 'The lesson as it will be exported' });
    const marks = stage.locator('.scene:not([aria-hidden]) .marks rect');
    // Before it, its first and last frame, a frame in the middle, behind it.
    for (const [frame, seen] of [
        [24, 0],
        [25, 1],
        [50, 1],
        [74, 1],
        [75, 0],
    ] as const) {
        await page.getByLabel('Place in the lesson').fill(String(frame));
        await expect(stage).toHaveAttribute('data-frame', String(frame));
        await expect(marks).toHaveCount(seen);
        await expect(stage.locator('.scene:not([aria-hidden]) .slide img')).toBeVisible();
        const shown = test.info().outputPath(`browser-${frame}.png`);
        await stage.screenshot({ path: shown });
        const rendered = frameOf(film, frame);
        expect(likeness(shown, rendered), `frame ${frame}`).toBeGreaterThan(0.97);
        // On the upper line of the box: at a quarter of 720 rows, 5.76 pixels wide.
        const [inBrowser, inFilm] = [colour(shown, 600, 183), colour(rendered, 600, 183)];
        inFilm.forEach((value, part) => expect(Math.abs(value - (inBrowser[part] ?? 0))).toBeLessThanOrEqual(16));
        const isPetrol = Math.abs((inFilm[0] ?? 0) - 11) < 14 && Math.abs((inFilm[2] ?? 0) - 102) < 14;
        expect(isPetrol, `frame ${frame}: ${inFilm}`).toBe(seen === 1);
    }
});
