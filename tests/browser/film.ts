import { type APIRequestContext, expect, type Page, test } from '@playwright/test';
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Lesson, Take } from '../../resources/js/api/types';
import { WORK_MS, takesOf } from './helpers';

/** A take of four seconds, kept and used whole; its camera shows a test picture. */
export async function taken(
    request: APIRequestContext,
    lesson: Lesson,
    events: Record<string, unknown>[],
    index = 0,
    camera = 'testsrc2=s=320x240',
): Promise<Take> {
    const file = test.info().outputPath('take.webm');
    execFileSync('ffmpeg', [
        ...['-v', 'error', '-y', '-f', 'lavfi', '-i', `${camera}:r=25:d=4`],
        ...['-f', 'lavfi', '-i', 'sine=f=220:d=4', '-c:v', 'libvpx', '-b:v', '300k', '-c:a', 'libopus', file],
    ]);
    const made = await sent(request, lesson, file, index, events);
    const kept = { verdict: 'kept', used_from_ms: 0, used_until_ms: 4000 };
    return (await (await request.patch(`/api/takes/${made.id}`, { data: kept })).json()) as Take;
}

/** A take of a section from a file that a camera has recorded. */
export async function sent(
    request: APIRequestContext,
    lesson: Lesson,
    file: string,
    index = 0,
    events: Record<string, unknown>[] = [],
): Promise<Take> {
    const section = lesson.sections[index]?.id ?? '';
    const bytes = readFileSync(file);
    const tracks = [{ kind: 'camera', mime: 'video/webm' }];
    const made = (await (await request.post(`/api/sections/${section}/takes`, { data: { tracks } })).json()) as Take;
    const track = made.tracks[0]?.id ?? '';
    const hash = createHash('sha256').update(bytes).digest('hex');
    await request.put(`/api/tracks/${track}/chunks/0`, { data: bytes, headers: { 'X-Chunk-SHA256': hash } });
    if (events.length > 0) {
        const rows = events.map((event) => JSON.stringify(event)).join('\n');
        await request.put(`/api/takes/${made.id}/events/0`, { data: Buffer.from(rows) });
    }
    const all = [{ id: track, chunks: 1, bytes: bytes.length }];
    await request.post(`/api/takes/${made.id}/finish`, { data: { tracks: all } });
    const state = async () => (await takesOf(request, section))[0]?.state;
    await expect.poll(state, { timeout: WORK_MS }).toBe('ready');
    return made;
}

/** What the player shows is there as a whole: films are at their frame, and no picture is still on its way. */
export async function drawn(page: Page): Promise<void> {
    await page.waitForFunction(
        () =>
            [...document.querySelectorAll<HTMLVideoElement>('.watch video')].every(
                (one) => !one.getAttribute('src') || (!one.seeking && one.readyState >= 2),
            ) && [...document.querySelectorAll<HTMLImageElement>('.watch img')].every((one) => one.complete),
    );
}

/** A frame of the film as a picture. */
export function frameOf(film: string, frame: number): string {
    const file = test.info().outputPath(`film-${frame}.png`);
    const filter = `select=eq(n\\,${frame}),scale=in_range=tv:in_color_matrix=bt709,format=rgb24`;
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', film, '-vf', filter, '-frames:v', '1', file]);
    return file;
}

/** How like each other two pictures are, 0..1 (SSIM): smaller than either, so that neither is blown up. */
export function likeness(one: string, other: string): number {
    const graph =
        '[0:v]scale=640:360:flags=area,format=gray[a];[1:v]scale=640:360:flags=area,format=gray[b];[a][b]ssim';
    const { stderr } = spawnSync('ffmpeg', ['-i', one, '-i', other, '-lavfi', graph, '-f', 'null', '-'], {
        encoding: 'utf8',
    });
    return Number(/All:([\d.]+)/.exec(stderr)?.[1]);
}

/** The mean colour of a small patch, at the size of the film. */
export function colour(file: string, x: number, y: number): number[] {
    const filter = `scale=1280:720,format=rgb24,crop=4:2:${x}:${y},scale=1:1`;
    return [...execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-vf', filter, '-f', 'rawvideo', '-'])];
}
