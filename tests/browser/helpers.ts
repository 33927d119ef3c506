import AxeBuilder from '@axe-core/playwright';
import { type APIRequestContext, expect, type Locator, type Page } from '@playwright/test';
import { execFileSync, spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import type { Export, Lesson, ScriptText, Take } from '../../resources/js/api/types';

/** How long the server may work at a take or a film: others may have most of this machine, and it comes after whoever records. */
export const WORK_MS = 240_000;

/** Slides of the demo, which are called by the numbers of their sections. */
const names = ['02', '03', '04', '05', '06', '08', '09'];
export const slides = (...numbers: number[]) => numbers.map((n) => `demo/lesson/slides/${names[n - 1]}.png`);

/** A lesson with sections that have a heading, a script and a slide. */
export async function makeLesson(request: APIRequestContext, title: string, scripts: string[]): Promise<Lesson> {
    const made = (await (
        await request.post('/api/lessons', { data: { title, width: 1280, height: 720, fps: 25 } })
    ).json()) as Lesson;
    for (let i = 1; i < scripts.length; i++) {
        await request.post(`/api/lessons/${made.id}/sections`, { data: {} });
    }
    const lesson = await readLesson(request, made.id);
    for (const [i, script] of scripts.entries()) {
        await request.patch(`/api/sections/${lesson.sections[i]?.id}`, { data: { heading: `Part ${i + 1}`, script } });
    }
    return readLesson(request, made.id);
}

export async function readLesson(request: APIRequestContext, id: string): Promise<Lesson> {
    return (await (await request.get(`/api/lessons/${id}`)).json()) as Lesson;
}

export async function demoLesson(request: APIRequestContext): Promise<Lesson> {
    const lessons = (await (await request.get('/api/lessons')).json()) as Lesson[];
    return readLesson(request, lessons.find((one) => one.title === 'How to read a tide table')?.id ?? '');
}

/** The takes of a section as the server has them. */
export async function takesOf(request: APIRequestContext, section: string | undefined): Promise<Take[]> {
    return (await (await request.get(`/api/sections/${section}/takes`)).json()) as Take[];
}

export async function openRecord(page: Page, lesson: Lesson, section = 0): Promise<void> {
    await page.goto(`/lessons/${lesson.id}/record/${lesson.sections[section]?.id}`);
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
}

/** Opens the set-up, does something there, and closes it. */
export async function setUp(page: Page, act: (panel: Locator) => Promise<unknown>): Promise<void> {
    await page.getByRole('button', { name: 'Set up' }).click();
    const panel = page.getByRole('dialog', { name: 'Set up' });
    await act(panel);
    await panel.getByRole('button', { name: 'Close' }).click();
    await expect(panel).toHaveCount(0);
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
}

/** Chooses devices by their names. */
export async function choose(page: Page, camera: string, microphone: string, screen?: string): Promise<void> {
    await setUp(page, async (panel) => {
        await panel.getByLabel('Camera', { exact: true }).selectOption({ label: camera });
        await panel.getByLabel('Microphone', { exact: true }).selectOption({ label: microphone });
        if (screen) {
            await panel.getByLabel('Screen', { exact: true }).selectOption({ label: screen });
        }
    });
}

export const STAND_IN_SCREEN = 'Stand-in screen: a tide gauge';

/** What the room warns of. */
export const warning = (page: Page) => page.locator('.record-warning');

/** Devices that show one colour or none, or are muted; as a browser would give them. */
export async function devices(
    page: Page,
    how: { camera?: string; moving?: boolean; width?: number; rate?: number; loud?: number },
): Promise<void> {
    await page.addInitScript(({ camera, moving, width = 640, rate, loud = 0.2 }) => {
        navigator.mediaDevices.getUserMedia = async ({ video }: MediaStreamConstraints = {}) => {
            if (video) {
                const canvas = Object.assign(document.createElement('canvas'), { width, height: (width * 9) / 16 });
                const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
                let x = 0;
                setInterval(() => {
                    pen.fillStyle = camera ?? '#456';
                    pen.fillRect(0, 0, width, width);
                    if (moving) {
                        pen.fillStyle = '#def';
                        pen.fillRect((x = (x + 9) % width), 60, 60, 60);
                    }
                }, 60);
                return canvas.captureStream(15);
            }
            const context = new AudioContext();
            const out = context.createMediaStreamDestination();
            const tone = new OscillatorNode(context, { frequency: 180 });
            tone.connect(new GainNode(context, { gain: loud })).connect(out);
            tone.start();
            const [track] = out.stream.getAudioTracks();
            const settings = track?.getSettings.bind(track);
            if (track && settings && rate) {
                track.getSettings = () => ({ ...settings(), sampleRate: rate });
            }
            return out.stream;
        };
    }, how);
}

/** Waits until a section's last take can be played. */
async function processed(request: APIRequestContext, section: string): Promise<void> {
    await expect.poll(async () => (await takesOf(request, section)).at(-1)?.state, { timeout: WORK_MS }).toBe('ready');
}

/** Waits until a take has been listened to. */
export async function listened(request: APIRequestContext, section: string): Promise<Take> {
    const latest = async () => (await takesOf(request, section)).at(-1);
    await processed(request, section);
    // What is heard decides what is used.
    await expect.poll(async () => (await latest())?.alignment ?? null, { timeout: WORK_MS }).not.toBeNull();
    return (await latest()) as Take;
}

/** Exports a lesson and gets the film. */
export async function filmOf(request: APIRequestContext, lesson: string, file: string): Promise<string> {
    const made = (await (await request.post(`/api/lessons/${lesson}/exports`)).json()) as Export;
    const state = async () => ((await (await request.get(`/api/exports/${made.id}`)).json()) as Export).state;
    await expect.poll(state, { timeout: WORK_MS }).toBe('done');
    writeFileSync(file, await (await request.get(`/api/exports/${made.id}/file`)).body());
    return file;
}

/** The mean colour of a small patch of a frame of a film. */
export function patchOf(film: string, frame: number, x: number, y: number, size = 4): number[] {
    const filter =
        `select=eq(n\\,${frame}),scale=in_range=tv:in_color_matrix=bt709,format=rgb24,` +
        `crop=${size}:${size}:${x}:${y},scale=1:1:flags=area`;
    const pixel = execFileSync('ffmpeg', [
        ...['-v', 'error', '-i', film, '-vf', filter, '-frames:v', '1', '-f', 'rawvideo', '-'],
    ]);
    expect(pixel, `frame ${frame} of ${film}`).toHaveLength(3);
    return [...pixel];
}

/** Seconds at which a patch of a film begins to look a certain way. */
export function changes(film: string, crop: string, looks: (rgb: number[]) => boolean): number[] {
    const pixels = execFileSync('ffmpeg', [
        ...['-v', 'error', '-i', film, '-vf', `${crop},scale=1:1:flags=area,format=rgb24`, '-f', 'rawvideo', '-'],
    ]);
    const is = Array.from({ length: pixels.length / 3 }, (_, i) => looks([...pixels.subarray(3 * i, 3 * i + 3)]));
    return is.flatMap((now, i) => (now && !is[i - 1] ? [i / 25] : []));
}

/** From and until of silences in a film, in seconds. */
export function silences(film: string): [number, number][] {
    const { stderr } = spawnSync(
        'ffmpeg',
        ['-nostdin', '-i', film, '-vn', '-af', 'silencedetect=noise=-50dB:d=0.3', '-f', 'null', '-'],
        { encoding: 'utf8' },
    );
    return [...stderr.matchAll(/silence_end: ([\d.]+) \| silence_duration: ([\d.]+)/g)].map(([, until, length]) => [
        Number(until) - Number(length),
        Number(until),
    ]);
}

/** Counts down and waits until it rolls. */
export async function roll(page: Page): Promise<void> {
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await page.keyboard.press('r');
    await expect(page.getByText('Counting down')).toBeVisible();
    await expect(page.getByText('Recording', { exact: true })).toBeVisible({ timeout: 10_000 });
}

/** Finishes the take and waits until Review has listened to it. */
export async function finish(page: Page): Promise<void> {
    await page.keyboard.press('f');
    await page.waitForURL(/\/review\//);
    // What the server works at first, then what the page makes of it.
    await processed(page.request, new URL(page.url()).pathname.split('/')[4] ?? '');
    await expect(page.getByText(/used of/)).toBeVisible();
}

/** The typed page. */
export const words = (page: Page) => page.getByRole('textbox', { name: 'Script' });

/** Waits until the server has every word of the page. */
export const saved = (page: Page) => expect(page.getByText('All saved')).toBeVisible();

export async function openScript(page: Page, lesson: { id: string }): Promise<void> {
    await page.goto(`/lessons/${lesson.id}/script`);
    await saved(page);
}

/** Types at the end of the script. */
export async function typeAtEnd(page: Page, text: string): Promise<void> {
    await words(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(text);
}

/** The script as the server has it. */
export const textOf = async (request: APIRequestContext, id: string): Promise<string> =>
    ((await (await request.get(`/api/lessons/${id}/script`)).json()) as ScriptText).text;

export interface Probe {
    frames: number;
    width: number;
    height: number;
    codecs: string[];
    chapters: string[];
    seconds: number;
}

export function probe(file: string): Probe {
    const out = execFileSync(
        'ffprobe',
        ['-v', 'error', '-count_packets', '-show_streams', '-show_chapters', '-show_format', '-of', 'json', file],
        { encoding: 'utf8' },
    );
    const found = JSON.parse(out) as {
        streams: { codec_type: string; codec_name: string; width?: number; height?: number; nb_read_packets: string }[];
        chapters: { tags: { title: string } }[];
        format: { duration: string };
    };
    const video = found.streams.find((s) => s.codec_type === 'video');
    return {
        frames: Number(video?.nb_read_packets),
        width: video?.width ?? 0,
        height: video?.height ?? 0,
        codecs: found.streams.filter((s) => s.codec_type !== 'data').map((s) => s.codec_name),
        chapters: found.chapters.map((c) => c.tags.title),
        seconds: Number(found.format.duration),
    };
}

/** Integrated loudness in LUFS and true peak in dBTP. */
export function loudness(file: string): { lufs: number; peak: number } {
    const { stderr } = spawnSync(
        'ffmpeg',
        ['-nostdin', '-i', file, '-vn', '-af', 'ebur128=peak=true:framelog=verbose', '-f', 'null', '-'],
        { encoding: 'utf8' },
    );
    const summary = stderr.slice(stderr.lastIndexOf('Summary:'));
    return {
        lufs: Number(/I:\s+(-?[\d.]+) LUFS/.exec(summary)?.[1]),
        peak: Number(/Peak:\s+(-?[\d.]+) dBFS/.exec(summary)?.[1]),
    };
}

/** Nothing on a page is in the way of those who see, hear or move otherwise, as far as a program can tell. */
export async function isAccessible(page: Page): Promise<void> {
    const found = await new AxeBuilder({ page })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'])
        .analyze();
    expect(found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}
