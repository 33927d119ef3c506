import { expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Assembly, Finding, Lesson, Slide } from '../../resources/js/api/types';
import { drawn, frameOf, likeness, taken } from './film';
import { WORK_MS, filmOf, makeLesson, probe, readLesson, slides } from './helpers';

/** The tone of the music: no voice of these tests reaches it. */
const HERTZ = 3000;

/** Where sampled frames are compared, every so many. */
const EVERY = 10;

/** Lets the page tell how loud the tone is, in dB over the last two thirds of a second. */
async function listen(page: Page): Promise<void> {
    await page.addInitScript((hertz) => {
        const connect = AudioNode.prototype.connect as (...to: unknown[]) => AudioNode;
        const heard = window as unknown as { loud?: () => number };
        AudioNode.prototype.connect = function (this: AudioNode, ...to: unknown[]) {
            if (to[0] instanceof AudioDestinationNode) {
                const ear = new AnalyserNode(this.context, { fftSize: 32_768, smoothingTimeConstant: 0 });
                connect.call(this, ear);
                heard.loud = () => {
                    const levels = new Float32Array(ear.frequencyBinCount);
                    ear.getFloatFrequencyData(levels);
                    const at = Math.round((hertz * ear.fftSize) / this.context.sampleRate);
                    return Math.max(...levels.slice(at - 3, at + 4));
                };
            }
            return connect.call(this, ...to);
        } as typeof AudioNode.prototype.connect;
    }, HERTZ);
}

/** How loud the tone is in a film from one second to another, in dB. */
function toneOf(film: string, from: number, until: number): number {
    const filter = `atrim=${from}:${until},bandpass=f=${HERTZ}:w=100,bandpass=f=${HERTZ}:w=100,volumedetect`;
    const log = execFileSync('bash', [
        '-c',
        `ffmpeg -i "$1" -vn -af "$2" -f null - 2>&1`,
        'bash',
        film,
        filter,
    ]).toString();
    return Number(/mean_volume: (-?[\d.]+)/.exec(log)?.[1]);
}

async function decorated(request: Parameters<typeof makeLesson>[0]): Promise<Lesson> {
    const lesson = await makeLesson(request, 'Every cue', [
        '[card: opening, 3 s] [music: tone, in 0.2 s, out 1 s]\n\nA lesson that has everything.',
        '[join: dissolve, 0.6 s] [background: gradient] [layout: slide with inset, circle, thick border, shadow] ' +
            '[name: Wenna, Shore instructor, 1 s] One two three four. [layout: side by side, 0.6 s] ' +
            '[zoom: 5 5 80, 0.8 s] Five six seven eight. [layout: at 8 60 30, 0.4 s] Nine ten.',
        '[join: push, 0.6 s] [layout: slide alone] One [zoom: 10 10 60, 0.6 s] two three. [emphasis: box 20 25 30 20, ' +
            'hand-drawn, drawn in 0.6 s] Four [emphasis: arrow 60 70 40 50, thick, drawn in 0.4 s] five. [label: Sill ' +
            '{1.5 m} "x", at 30 60] Six [picture: 03, at 55 12 15] seven. [zoom: out] [emphasis: none] Eight nine.',
        '[slide: moving] [layout: slide alone] One two three. [layout: side by side] Four. [slide: bars] [zoom: 10 10 70, 0 s] ' +
            'Five [step] six [step] seven [background: bars] eight.',
        '[card: question, 3 s] [join: dip, 0.8 s]\n\nWhat was it?',
    ]);
    const tone = test.info().outputPath('tone.wav');
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', `sine=f=${HERTZ}:d=30`, '-ar', '48000', tone]);
    await request.post(`/api/lessons/${lesson.id}/music`, {
        multipart: { file: { name: 'tone.wav', mimeType: 'audio/wav', buffer: readFileSync(tone) } },
    });
    await request.patch(`/api/lessons/${lesson.id}/style`, {
        data: { style: { fade_in: 500, fade_out: 500, sound_target: -23 } },
    });
    const moving = test.info().outputPath('moving.mp4');
    const film = ['-f', 'lavfi', '-i', 'testsrc=s=640x360:r=25:d=1.6', '-c:v', 'libx264', moving];
    execFileSync('ffmpeg', ['-v', 'error', '-y', ...film]);
    const bar = (n: number) =>
        `<g id="step-${n}"><rect x="${100 * n}" y="40" width="60" height="100" fill="#0B5D66"/></g>`;
    const bars =
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 180"><rect width="320" height="180" fill="#FAF8F3"/>' +
        `<circle cx="50" cy="90" r="30"/>${bar(1)}${bar(2)}</svg>`;
    await request.post(`/api/lessons/${lesson.id}/slides`, {
        multipart: {
            'files[0]': { name: 'moving.mp4', mimeType: 'video/mp4', buffer: readFileSync(moving) },
            'files[1]': { name: 'bars.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(bars) },
            fill: '0',
        },
    });
    // Drawings and short films become slides one after the other, on the server.
    const named = async () =>
        ((await (await request.get(`/api/lessons/${lesson.id}/slides`)).json()) as Slide[])
            .map(({ name }) => name)
            .sort();
    await expect.poll(named, { timeout: WORK_MS }).toEqual(['bars', 'moving']);
    await taken(request, lesson, [], 3, 'smptebars=s=640x360');
    for (const index of [1, 2]) {
        const buffer = readFileSync(slides(index + 1)[0] ?? '');
        await request.post(`/api/lessons/${lesson.id}/slides`, {
            multipart: {
                'files[0]': { name: `0${index + 1}.png`, mimeType: 'image/png', buffer },
                section: lesson.sections[index]?.id ?? '',
            },
        });
        const take = await taken(request, lesson, [], index, 'smptebars=s=640x360');
        await request.patch(`/api/takes/${take.id}`, {
            data: { adjustment: { brightness: 8, contrast: 10, warmth: 15, saturation: -10 } },
        });
    }
    return readLesson(request, lesson.id);
}

test('a lesson that uses every cue is watched as it is exported', async ({ page, request }) => {
    const lesson = await decorated(request);
    const read = async () => (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    const ready = async () => {
        const answer = await request.get(`/api/lessons/${lesson.id}/script/ready`);
        return ((await answer.json()) as Finding[]).filter(({ kind }) => kind === 'cue');
    };
    expect(await ready(), 'every cue can be followed').toEqual([]);
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const plan = await read();
    expect(probe(film).frames).toBe(plan.frames);

    await listen(page);
    // As large as the film, so that only what is different can be different.
    await page.setViewportSize({ width: 1800, height: 1100 });
    await page.goto(`/lessons/${lesson.id}/finish`);
    await page.addStyleTag({
        content:
            '.finish-room { grid-template-columns: 20rem 1280px !important }' +
            '.finish-watch { padding-top: 740px } ' +
            '.watch .frame-picture { position: fixed; left: 500px; top: 0; width: 1280px; height: 720px; z-index: 99 }',
    });
    const stage = page.getByRole('group', { name: 'The lesson as it will be exported' });
    const unlike: string[] = [];
    let compared = 0;
    for (let frame = 1; frame < plan.frames; frame += EVERY) {
        await page.getByLabel('Place in the lesson').fill(String(frame));
        await expect(stage).toHaveAttribute('data-frame', String(frame));
        await drawn(page);
        const shown = test.info().outputPath(`browser-${frame}.png`);
        await stage.screenshot({ path: shown });
        const alike = likeness(shown, frameOf(film, frame));
        compared++;
        if (alike < 0.97) {
            unlike.push(`${frame}: ${alike}`);
        }
    }
    expect(compared).toBeGreaterThanOrEqual(40);
    expect(unlike).toEqual([]);

    // The music, alone and under speech, as loud against each other as in the film.
    await page.getByLabel('Place in the lesson').fill('0');
    await page.getByRole('button', { name: 'Watch', exact: true }).click();
    const loudAt = async (frame: number) => {
        await expect
            .poll(async () => Number(await stage.getAttribute('data-frame')), { intervals: [20], timeout: 20_000 })
            .toBeGreaterThanOrEqual(frame);
        return page.evaluate(() => (window as unknown as { loud: () => number }).loud());
    };
    // A busy machine leaves some of the sound out here and there: the loudest of several looks has all of it.
    const loudest = async (frames: number[]) => {
        const found: number[] = [];
        for (const frame of frames) {
            found.push(await loudAt(frame));
        }
        return Math.max(...found);
    };
    const [alone, under] = [await loudest([32, 38, 44, 50]), await loudest([95, 110, 125, 140])];
    const [filmAlone, filmUnder] = [toneOf(film, 1.1, 1.8), toneOf(film, 4.5, 5.2)];
    expect(under - alone).toBeLessThan(-10);
    expect(Math.abs(under - alone - (filmUnder - filmAlone)), 'dB between Watch and film').toBeLessThan(1);
});
