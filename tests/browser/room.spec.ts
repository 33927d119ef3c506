import { expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Lesson } from '../../resources/js/api/types';
import {
    changes,
    choose,
    devices,
    filmOf,
    finish,
    isAccessible,
    listened,
    makeLesson,
    openRecord,
    patchOf,
    roll,
    setUp,
    silences,
    slides,
    STAND_IN_SCREEN,
    takesOf,
    textOf,
} from './helpers';

const sectionOf = (lesson: Lesson, index = 0): string => lesson.sections[index]?.id ?? '';

async function keep(page: Page): Promise<void> {
    await page.keyboard.press('k');
    await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
}

/** A point of the stage, in the page. */
async function stagePoint(page: Page, x: number, y: number): Promise<[number, number]> {
    const box = await page.getByLabel('The stage: point at it or write on it').boundingBox();
    return [(box?.x ?? 0) + (box?.width ?? 0) * x, (box?.y ?? 0) + (box?.height ?? 0) * y];
}

/** Draws a straight stroke with the mouse. */
async function stroke(page: Page, from: [number, number], to: [number, number]): Promise<void> {
    await page.mouse.move(...(await stagePoint(page, ...from)));
    await page.mouse.down();
    await page.mouse.move(...(await stagePoint(page, ...to)), { steps: 8 });
    await page.mouse.up();
}

test('a screen is recorded beside the camera, and both are in the film', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Reading the gauge', [
        '[screen: the tide gauge] [layout: side by side]\n\nRead the gauge. Then write it down.',
    ]);
    await openRecord(page, lesson);
    await expect(page.getByText('This section shows a screen: the tide gauge.')).toBeVisible();
    await choose(page, 'Stand-in presenter', 'Stand-in voice', STAND_IN_SCREEN);
    await expect(page.getByText('This section shows a screen')).toHaveCount(0);
    await roll(page);
    await page.waitForTimeout(5000);
    await finish(page);
    const take = await listened(request, sectionOf(lesson));
    expect(take.screen).toMatchObject({ width: 1920, height: 1080 });
    expect(take.camera).toMatchObject({ width: 1280, height: 720 });
    expect(Math.abs(take.screen?.late_ms ?? 999)).toBeLessThan(100);
    await keep(page);
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    // The stage stands left: the stand-in's dark bar at its top, white sheets below; the camera right.
    const bar = patchOf(film, 40, 500, 140, 8);
    expect(Math.abs((bar[0] ?? 0) - 0x26)).toBeLessThan(14);
    expect(Math.abs((bar[1] ?? 0) - 0x43)).toBeLessThan(14);
    expect(Math.abs((bar[2] ?? 0) - 0x4c)).toBeLessThan(14);
    const wall = patchOf(film, 40, 880, 160, 8);
    expect(Math.abs((wall[0] ?? 0) - 0xd9)).toBeLessThan(14);
});

test('ink on a slide and on a board is in the film, where it was drawn', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Ink', [
        '[board: 1, plain] [layout: slide alone]\n\nOne twelfth in the first hour.',
        '[board: 1] [layout: slide alone]\n\nTwo twelfths in the second.',
    ]);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await roll(page);
    await page.keyboard.press('i');
    await page.getByRole('button', { name: 'Contrast', exact: true }).click();
    await page.getByRole('button', { name: 'Thin' }).click();
    await stroke(page, [0.2, 0.5], [0.6, 0.5]);
    await stroke(page, [0.2, 0.8], [0.6, 0.8]);
    await page.keyboard.press('z');
    await page.keyboard.press('h');
    await stroke(page, [0.1, 0.25], [0.3, 0.25]);
    await page.waitForTimeout(1500);
    await finish(page);
    await keep(page);
    const first = await listened(request, sectionOf(lesson));

    // What was written stands on the board when the next section begins, and can be wiped.
    await openRecord(page, lesson, 1);
    await expect(page.locator('.record-stage .marks path')).toHaveCount(2);
    await roll(page);
    await page.waitForTimeout(2500);
    await page.keyboard.press('w');
    await expect(page.locator('.record-stage .marks path')).toHaveCount(0);
    await page.waitForTimeout(1500);
    await finish(page);
    await keep(page);
    const second = await listened(request, sectionOf(lesson, 1));
    for (const take of [first, second]) {
        // All of a take: the stand-in's voice decides nothing here.
        const whole = { used_from_ms: 0, used_until_ms: take.length_ms };
        await request.patch(`/api/takes/${take.id}`, { data: whole });
    }

    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const [pen] = lesson.pens.slice(3);
    const isPen = (patch: number[]) =>
        [0, 2, 4].every((at, i) => Math.abs((patch[i] ?? 0) - Number.parseInt((pen ?? '').slice(at, at + 2), 16)) < 30);
    const isPaper = (patch: number[]) => patch.every((value) => value > 225);
    const end = Math.floor((first.length_ms * 25) / 1000) - 5;
    expect(isPen(patchOf(film, end, 510, 359, 3)), 'the stroke').toBe(true);
    expect(isPaper(patchOf(film, end, 510, 575, 3)), 'what was taken back').toBe(true);
    expect(isPaper(patchOf(film, 2, 510, 359, 3)), 'before it was drawn').toBe(true);
    const lit = patchOf(film, end, 250, 179, 3);
    expect(isPen(lit) || isPaper(lit), 'a highlighter lets through what lies below').toBe(false);
    const begins = Math.ceil((first.length_ms * 25) / 1000);
    expect(isPen(patchOf(film, begins + 20, 510, 359, 3)), 'still there in the next section').toBe(true);
    const all = begins + Math.floor((second.length_ms * 25) / 1000);
    expect(isPaper(patchOf(film, all - 5, 510, 359, 3)), 'wiped').toBe(true);
});

test('a fluffed read is left out, and markers are shown in Review', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Again', ['First line here. Second line here. Third line here.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await roll(page);
    await page.waitForTimeout(1500);
    await page.keyboard.press('ArrowDown');
    await page.waitForTimeout(1500);
    await page.keyboard.press('g');
    await expect(page.locator('.prompter .current')).toHaveText('Second line here.');
    await page.waitForTimeout(1200);
    await page.keyboard.press('m');
    await expect(page.getByText(/1 marker/)).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await page.waitForTimeout(1200);
    await finish(page);
    const take = await listened(request, sectionOf(lesson));
    expect(take.retakes).toHaveLength(1);
    const [fluff] = take.retakes;
    expect((fluff?.until_ms ?? 0) - (fluff?.from_ms ?? 0)).toBeGreaterThan(700);
    await keep(page);
    await expect(page.getByText('left out: you went again here')).toBeVisible();
    await page.getByLabel('Marker 1: what it is for').fill('Check the height.');
    await page.getByLabel('Marker 1: what it is for').press('Tab');
    await page.reload();
    await expect(page.getByLabel('Marker 1: what it is for')).toHaveValue('Check the height.');
    const plan = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as { length_ms: number };
    const left = (fluff?.until_ms ?? 0) - (fluff?.from_ms ?? 0);
    expect(plan.length_ms).toBeLessThan(take.used_until_ms - take.used_from_ms - left + 200);
});

test('a layout changed by key is shown at once, and written into the script when the take is kept', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Live', ['One two three four five six. Seven eight nine ten.']);
    const slide = { name: 'tide.png', mimeType: 'image/png', buffer: readFileSync(slides(1)[0] ?? '') };
    await request.post(`/api/lessons/${lesson.id}/slides`, {
        multipart: { 'files[0]': slide, section: sectionOf(lesson) },
    });
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await roll(page);
    await page.waitForTimeout(1200);
    await page.keyboard.press('ArrowDown');
    await page.waitForTimeout(300);
    await page.keyboard.press('4');
    await expect(page.locator('.record-stage .slide')).toHaveCount(0);
    await page.waitForTimeout(1200);
    await finish(page);
    const before = await textOf(request, lesson.id);
    await page.keyboard.press('k');
    await expect(page.getByText('Written into the script: [layout: camera alone].')).toBeVisible();
    expect(await textOf(request, lesson.id)).toContain('[layout: camera alone]');
    const line = (await textOf(request, lesson.id)).indexOf('[layout');
    expect(line).toBeGreaterThan((await textOf(request, lesson.id)).indexOf('five'));
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => textOf(request, lesson.id)).toBe(before);
    expect((await takesOf(request, sectionOf(lesson)))[0]?.verdict).toBe('undecided');
});

test('a whole lesson is recorded in one go', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'In one go', ['The first part.', 'The second part.', 'The third part.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await roll(page);
    for (const part of [1, 2]) {
        await page.waitForTimeout(1500);
        await page.keyboard.press('o');
        await page.waitForURL(new RegExp(`/record/${sectionOf(lesson, part)}`));
        await expect(page.getByText('Counting down')).toBeVisible();
        await expect(page.getByText('Recording', { exact: true })).toBeVisible({ timeout: 10_000 });
        await expect(page.locator('.prompter .current')).toHaveText(`The ${part === 1 ? 'second' : 'third'} part.`);
    }
    await page.waitForTimeout(1500);
    await expect(page.getByRole('button', { name: /Finish, go on/ })).toHaveCount(0);
    await finish(page);
    for (const index of [0, 1, 2]) {
        const take = await listened(request, sectionOf(lesson, index));
        expect(take.length_ms).toBeGreaterThan(1200);
    }
});

test('the second prompter follows the room, and sends its own steps back', async ({ page, context, request }) => {
    const lesson = await makeLesson(request, 'Two windows', ['Line one. Line two. Line three.']);
    await openRecord(page, lesson);
    const opened = context.waitForEvent('page');
    await page.getByRole('link', { name: 'Second prompter' }).click();
    const second = await opened;
    await expect(second.locator('.prompter .current')).toHaveText('Line one.');
    await page.bringToFront();
    // From window to window, without the server.
    await context.setOffline(true);
    await page.keyboard.press('PageDown');
    await expect(second.locator('.prompter .current')).toHaveText('Line two.');
    await second.bringToFront();
    await second.keyboard.press('PageDown');
    await expect(page.locator('.prompter .current')).toHaveText('Line three.');
    await context.setOffline(false);
    await second.getByLabel('Mirrored, for a glass').check();
    await expect(second.locator('.prompter.for-glass')).toBeVisible();
    await expect(page.locator('.prompter.for-glass')).toHaveCount(0);
    await isAccessible(second);
});

test('devices of which the browser has new ids are known again by their names', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Ids anew', ['One. Two.']);
    await openRecord(page, lesson);
    /** As if the browser had forgotten what it knew of this site. */
    const forget = (names: object) =>
        page.evaluate((more) => {
            for (const [place, stored] of Object.entries(localStorage).filter(([key]) =>
                key.startsWith('reel.setup'),
            )) {
                const gone = { ...JSON.parse(stored), camera: 'gone', microphone: 'gone', ...more };
                localStorage.setItem(place, JSON.stringify(gone));
            }
        }, names);
    await expect(page.locator('.devices')).toContainText('fake_device_0');
    await forget({});
    await page.reload();
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await expect(page.locator('.devices')).toContainText('fake_device_0');
    await expect(page.locator('.devices')).not.toContainText('no longer there');

    await forget({ cameraName: 'Another camera' });
    await page.reload();
    await expect(page.getByText('The camera you used last is not there. Choose another.')).toBeVisible();
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
});

test('keys can be changed, and what clashes is told', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Own keys', ['One. Two.']);
    await openRecord(page, lesson);
    await setUp(page, async (panel) => {
        await panel.getByRole('button', { name: 'Keys' }).click();
        const marker = panel.getByRole('button', { name: /^Drop a marker/ });
        await marker.click();
        await page.keyboard.press('g');
        await expect(panel.getByText('G is taken: Go again: say this line from its start.')).toBeVisible();
        await marker.click();
        await page.keyboard.press('F5');
        await expect(panel.getByText('F5 loads the page anew.')).toBeVisible();
        await marker.click();
        await page.keyboard.press('q');
        await expect(marker).toHaveText('Q');
    });
    await page.reload();
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await roll(page);
    await page.keyboard.press('m');
    await page.keyboard.press('q');
    await expect(page.getByText(/1 marker/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Marker Q' })).toBeVisible();
    await finish(page);
});

test('what is stepped to, given by key and silenced is in the film as it was done', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'By key', [
        '[layout: slide alone]\n\nOne two three four [keys: Ctrl+S] five six [camera alone] seven eight nine ten. Eleven.',
    ]);
    for (const [name, colour] of [
        ['red', '#c00000'],
        ['blue', '#0000c0'],
    ]) {
        const buffer = execFileSync('ffmpeg', [
            ...['-v', 'error', '-f', 'lavfi', '-i', `color=${colour}:s=640x360`, '-frames:v', '1'],
            ...['-c:v', 'png', '-f', 'image2pipe', '-'],
        ]);
        const slide = { name: `${name}.png`, mimeType: 'image/png', buffer };
        await request.post(`/api/lessons/${lesson.id}/slides`, {
            multipart: { 'files[0]': slide, ...(name === 'red' ? { section: sectionOf(lesson) } : {}) },
        });
    }
    // A tone for a voice: it is heard at every moment but those that were silenced.
    await devices(page, { camera: '#00c000', moving: true, width: 1280, loud: 0.3 });
    await openRecord(page, lesson);
    await roll(page);
    const rolling = Date.now();
    const at = () => (Date.now() - rolling) / 1000;
    await page.waitForTimeout(1500);
    await page.keyboard.press('.');
    const turned = at();
    await page.waitForTimeout(1500);
    const silenced = at();
    await page.keyboard.down('s');
    await expect(page.getByText('The microphone is silent while you hold the key.')).toBeVisible();
    await page.waitForTimeout(1500);
    await page.keyboard.up('s');
    await page.waitForTimeout(2000);
    // The cue stands early in the line's words; the presenter goes on to it late.
    const stepped = at();
    await page.keyboard.press('PageDown');
    await expect(page.locator('.record-stage .slide')).toHaveCount(0);
    await page.waitForTimeout(1500);
    await page.keyboard.press('PageDown');
    await expect(page.locator('.prompter .current')).toHaveText('Eleven.');
    await page.waitForTimeout(1500);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText(/Written into the script: \[slide: blue\]/)).toBeVisible();
    const take = await listened(request, sectionOf(lesson));
    await request.patch(`/api/takes/${take.id}`, { data: { used_from_ms: 0, used_until_ms: take.length_ms } });
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));

    const green = [...changes(film, 'crop=8:8:100:100', (rgb) => (rgb[1] ?? 0) > 120 && (rgb[0] ?? 0) < 90)];
    expect(green, 'the camera, once').toHaveLength(1);
    const [[mute, unmute] = [0, 0]] = silences(film).filter(([from, until]) => until - from > 1);
    expect(unmute - mute, 'seconds of silence').toBeLessThan(3);
    const apart = (green[0] ?? 0) - mute - (stepped - silenced);
    expect(Math.abs(apart), 'seconds that the camera is off from when it was stepped to').toBeLessThan(0.35);
    const blue = changes(film, 'crop=8:8:640:360', (rgb) => (rgb[2] ?? 0) > 120 && (rgb[0] ?? 0) < 90);
    // Cues stand before words: half a word of these is a second.
    const off = (blue[0] ?? 0) - mute - (turned - silenced);
    expect(Math.abs(off), 'seconds that the slide is off from when it was given').toBeLessThan(1.2);
});

test('media keys pause and finish', async ({ page, request }) => {
    await page.addInitScript(() => {
        // The keys themselves are caught by the desktop; this is where the browser hands them on.
        const given: Record<string, () => void> = {};
        Object.assign(window, { press: (action: string) => given[action]?.() });
        const set = navigator.mediaSession.setActionHandler.bind(navigator.mediaSession);
        navigator.mediaSession.setActionHandler = (action, act) => {
            set(action, act);
            given[action] = act as () => void;
        };
    });
    const press = (action: string) =>
        page.evaluate((key) => (window as unknown as { press: (key: string) => void }).press(key), action);
    const lesson = await makeLesson(request, 'Headset', ['One.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await roll(page);
    await expect.poll(() => page.evaluate(() => navigator.mediaSession.playbackState)).not.toBe('paused');
    await page.waitForTimeout(1200);
    await press('pause');
    await expect(page.getByText('Paused', { exact: true })).toBeVisible();
    await press('play');
    await expect(page.getByText('Recording', { exact: true })).toBeVisible();
    await page.waitForTimeout(1200);
    await press('stop');
    await page.waitForURL(/review/);
    expect((await listened(request, sectionOf(lesson))).length_ms).toBeGreaterThan(1800);
});

test('everything is set up and recorded without the mouse', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'By keyboard', ['One. Two.']);
    await openRecord(page, lesson);
    const reach = async (name: string | RegExp, role: 'button' | 'combobox' | 'spinbutton' = 'button') => {
        const wanted = page.getByRole(role, { name });
        for (let presses = 0; presses < 60; presses++) {
            if (
                await wanted
                    .first()
                    .evaluate((one) => one === document.activeElement)
                    .catch(() => false)
            ) {
                return;
            }
            await page.keyboard.press('Tab');
        }
        throw new Error(`${String(name)} cannot be reached`);
    };
    await reach('Set up');
    await page.keyboard.press('Enter');
    const panel = page.getByRole('dialog', { name: 'Set up' });
    await expect(panel).toBeVisible();
    await reach('Camera', 'combobox');
    await page.keyboard.type('Stand-in presenter');
    await reach('Microphone', 'combobox');
    await page.keyboard.type('Stand-in voice');
    await reach('Framing');
    await page.keyboard.press('Enter');
    await reach(/^Width/, 'spinbutton');
    await page.keyboard.press('Control+A');
    await page.keyboard.type('960');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Escape');
    await expect(panel).toHaveCount(0);
    await roll(page);
    await page.waitForTimeout(1200);
    await page.keyboard.press('PageDown');
    await page.waitForTimeout(1200);
    await finish(page);
    await keep(page);
    const take = await listened(request, sectionOf(lesson));
    expect(take.verdict).toBe('kept');
    expect(take.framing?.width).toBeCloseTo(0.75, 2);
});

test('a screen that is no longer shared ends the take, which is kept', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Share stopped', ['[screen: anything]\n\nLook at this.']);
    await openRecord(page, lesson);
    await setUp(page, async (panel) => {
        await panel.getByLabel('Screen', { exact: true }).selectOption({ label: 'Screen, window or tab' });
        await panel.getByRole('button', { name: 'Share a screen' }).click();
        await expect(panel.getByRole('button', { name: 'Share another' })).toBeVisible();
    });
    await roll(page);
    await page.waitForTimeout(2500);
    await page.evaluate(() => {
        // As the browser's own bar does it.
        for (const video of document.querySelectorAll<HTMLVideoElement>('.record-stage .screen video')) {
            (video.srcObject as MediaStream).getVideoTracks().forEach((track) => {
                track.stop();
                track.dispatchEvent(new Event('ended'));
            });
        }
    });
    await page.waitForURL(/\/review\//);
    await expect(page.getByText('The screen is no longer shared. The take was finished')).toBeVisible();
    const take = await listened(request, sectionOf(lesson));
    expect(take.length_ms).toBeGreaterThan(1800);
    expect(take.screen).not.toBeNull();
});

test('a tab that is closed while camera and screen roll loses at most the last second of either', async ({
    page,
    context,
    request,
}) => {
    const lesson = await makeLesson(request, 'Two tracks cut off', ['[screen: anything]\n\nLook at this for a while.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice', STAND_IN_SCREEN);
    await roll(page);
    await page.waitForTimeout(6000);
    await page.close({ runBeforeUnload: false });
    const again = await context.newPage();
    await again.goto(`/lessons/${lesson.id}/review/${sectionOf(lesson)}`);
    await expect(again.getByText(/was cut off while recording/)).toBeVisible();
    const take = await listened(request, sectionOf(lesson));
    expect(take.length_ms).toBeGreaterThan(4000);
    expect(take.screen).not.toBeNull();
    expect(Math.abs(take.screen?.late_ms ?? 999)).toBeLessThan(100);
});

test('camera and screen flash on the same frames of the film, also after a pause', async ({ page, request }) => {
    await page.addInitScript(() => {
        const canvases = [0, 1].map(() => Object.assign(document.createElement('canvas'), { width: 640, height: 360 }));
        const pens = canvases.map((canvas) => canvas.getContext('2d') as CanvasRenderingContext2D);
        const streams = canvases.map((canvas) => canvas.captureStream(0));
        setInterval(() => {
            const bright = performance.now() % 1500 < 400;
            pens.forEach((pen, i) => {
                pen.fillStyle = bright ? '#fff' : '#101010';
                pen.fillRect(0, 0, 640, 360);
                const [track] = streams[i]?.getVideoTracks() ?? [];
                (track as CanvasCaptureMediaStreamTrack | undefined)?.requestFrame();
            });
        }, 40);
        const voice = () => {
            const audio = new AudioContext();
            const out = audio.createMediaStreamDestination();
            const buffer = audio.createBuffer(1, audio.sampleRate * 7, audio.sampleRate);
            let loud = 0;
            buffer.getChannelData(0).forEach((_, i, samples) => {
                loud = i % 4000 === 0 ? Math.random() * 0.3 : loud;
                samples[i] = loud * (2 * Math.random() - 1);
            });
            const source = new AudioBufferSourceNode(audio, { buffer, loop: true });
            source.connect(out);
            source.start();
            return out.stream;
        };
        navigator.mediaDevices.getUserMedia = async (wanted) => (wanted?.video ? (streams[0] as MediaStream) : voice());
        navigator.mediaDevices.getDisplayMedia = async () => streams[1] as MediaStream;
        localStorage.setItem('reel.setup', JSON.stringify({ screen: 'ask' }));
    });
    const lesson = await makeLesson(request, 'Flashes', ['[screen: flashes] [layout: side by side]\n\nLook.']);
    await openRecord(page, lesson);
    await page.locator('.record-warning').getByRole('button', { name: 'Share a screen' }).click();
    await expect(page.locator('.record-stage .screen video')).toBeVisible();
    await roll(page);
    await page.waitForTimeout(4500);
    await page.keyboard.press('p');
    await page.waitForTimeout(1700);
    await page.keyboard.press('p');
    await page.waitForTimeout(4500);
    await finish(page);
    await keep(page);
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    // Stage and camera stand beside each other: a point in the middle of each.
    const flashes = [400, 1060].map((x) => {
        const bright = [
            ...execFileSync('ffmpeg', [
                ...['-v', 'error', '-i', film, '-vf', `crop=8:8:${x}:356,scale=1:1,format=gray`],
                ...['-f', 'rawvideo', '-'],
            ]),
        ].map((value) => value > 120);
        return bright.flatMap((is, frame) => (is && frame > 0 && !bright[frame - 1] ? [frame] : []));
    });
    const [screen = [], camera = []] = flashes;
    expect(screen.length).toBeGreaterThan(3);
    // A busy machine's encoder leaves out a frame here and there; tracks out of step would be so at every flash.
    const apart = screen.map((frame) => Math.min(...camera.map((other) => Math.abs(other - frame))));
    const middle = (of: number[]) => [...of].sort((one, other) => one - other)[Math.floor((of.length - 1) / 2)];
    const half = Math.floor(apart.length / 2);
    expect(middle(apart.slice(0, half)), 'before the pause').toBeLessThanOrEqual(1);
    expect(middle(apart.slice(half)), 'behind it').toBeLessThanOrEqual(1);
});
