import { expect, test } from '@playwright/test';
import type { Assembly } from '../../resources/js/api/types';
import {
    choose,
    filmOf,
    finish,
    isAccessible,
    listened,
    makeLesson,
    openRecord,
    patchOf,
    readLesson,
    roll,
    setUp,
    STAND_IN_SCREEN,
    warning,
} from './helpers';

test('the page that films itself is told', async ({ page, request }) => {
    await page.addInitScript(() => {
        const share = navigator.mediaDevices.getDisplayMedia.bind(navigator.mediaDevices);
        navigator.mediaDevices.getDisplayMedia = async (options) => {
            const stream = await share(options);
            // As a browser tells it of a page that captures itself.
            const [track] = stream.getVideoTracks() as (MediaStreamTrack & { getCaptureHandle?: () => unknown })[];
            const media = navigator.mediaDevices as MediaDevices & { handle?: string };
            if (track) {
                track.getCaptureHandle = () => ({ handle: media.handle });
            }
            return stream;
        };
        Object.defineProperty(navigator.mediaDevices, 'setCaptureHandleConfig', {
            value: ({ handle }: { handle: string }) => Object.assign(navigator.mediaDevices, { handle }),
        });
    });
    await openRecord(page, await makeLesson(request, 'Mirror', ['[screen: us] One.']));
    await setUp(page, async (panel) => {
        await panel.getByLabel('Screen', { exact: true }).selectOption({ label: 'Screen, window or tab' });
        await panel.getByRole('button', { name: 'Share a screen' }).click();
        await expect(panel.getByRole('button', { name: 'Share another' })).toBeVisible();
    });
    await expect(warning(page)).toContainText('This very page is what is recorded.');
});

test('a part of the screen is chosen by numbers and keys, told when it is soft, and shown in the film', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Part', ['[screen: the reading] [layout: slide alone]\n\nRead it.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice', STAND_IN_SCREEN);
    await setUp(page, async (panel) => {
        await panel.getByRole('button', { name: 'Framing' }).click();
        const numbers = panel.locator('#screen-width');
        await expect(numbers).toHaveValue('1920');
        await numbers.fill('960');
        await numbers.press('Tab');
        await expect(panel.locator('#screen-height')).toHaveValue('540');
        await expect(panel.getByText('Will look soft: 960 wide for a 1280 frame.')).toBeVisible();
        const part = panel.getByRole('group', { name: 'Part of the screen that is shown' });
        await part.focus();
        for (let i = 0; i < 6; i++) {
            await page.keyboard.press('Shift+ArrowDown');
        }
        await expect(panel.locator('#screen-top')).toHaveValue('540');
        // A corner is drawn with the mouse; the shape stays.
        const corner = panel.getByRole('button', { name: 'Top right corner' }).last();
        await corner.focus();
        await page.keyboard.press('ArrowLeft');
        await expect(panel.locator('#screen-width')).not.toHaveValue('960');
        await panel.getByRole('button', { name: 'Show all of it' }).last().click();
        await expect(panel.locator('#screen-width')).toHaveValue('1920');
        await numbers.fill('640');
        await isAccessible(page);
    });
    await roll(page);
    await page.waitForTimeout(2500);
    await finish(page);
    const take = await listened(request, lesson.sections[0]?.id ?? '');
    expect(take.area).toMatchObject({ x: 0, y: 0 });
    expect(take.area?.width).toBeCloseTo(1 / 3, 3);
    await page.keyboard.press('k');
    await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    // A third of the screen: its dark bar is three times as high, 72 of 1080 rows becoming 144 of 720.
    expect(patchOf(film, 20, 900, 120, 8)[0]).toBeLessThan(90);
    expect(patchOf(film, 20, 900, 160, 8)[0]).toBeGreaterThan(180);

    // Changed afterwards: the recording keeps all of it.
    await page.getByRole('button', { name: 'Framing' }).click();
    const dialog = page.getByRole('dialog', { name: 'Which part is shown' });
    await dialog.getByRole('button', { name: 'Show all of it' }).last().click();
    await dialog.getByRole('button', { name: 'Show this part' }).click();
    await expect(dialog).toHaveCount(0);
    const plan = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    expect(plan.segments[0]?.shots[0]?.picture.layers.find((layer) => layer.shows === 'screen')?.crop).toBeNull();
});

test('the set-up tests the sound, and is remembered for the course', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Sound test', ['One sentence to be heard. And one more after it.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await setUp(page, async (panel) => {
        await panel.getByRole('button', { name: 'Test for five seconds' }).click();
        await expect(panel.getByText(/Good: clear|too quiet/)).toBeVisible({ timeout: 20_000 });
        await expect(panel.locator('.test-wave rect')).toHaveCount(120);
        await expect(panel.getByText(/The room is silent|under your voice/)).toBeVisible();
        for (const part of ['Prompter', 'Stopping', 'Keys', 'Devices']) {
            await panel.getByRole('button', { name: part, exact: true }).click();
            await isAccessible(page);
        }
        await panel.getByRole('button', { name: 'Stopping', exact: true }).click();
        await panel.getByLabel('Stop by itself after').selectOption({ label: '1 minute' });
    });
    await page.reload();
    await setUp(page, async (panel) => {
        await expect(panel.getByLabel('Camera', { exact: true })).toHaveValue('stand-in');
        await panel.getByRole('button', { name: 'Stopping', exact: true }).click();
        await expect(panel.getByLabel('Stop by itself after')).toHaveValue('1');
    });
});

test('the take stops by itself after a long silence, and says so before', async ({ page, request }) => {
    await page.addInitScript(() => {
        const context = new AudioContext();
        const quiet = context.createMediaStreamDestination();
        const hum = new OscillatorNode(context);
        hum.connect(new GainNode(context, { gain: 0.00002 })).connect(quiet);
        hum.start();
        const get = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
        navigator.mediaDevices.getUserMedia = async (wanted) => (wanted?.video ? get(wanted) : quiet.stream);
        localStorage.setItem('reel.setup', JSON.stringify({ stopAfterSilence: 15 }));
    });
    const lesson = await makeLesson(request, 'Silence', ['One.']);
    await openRecord(page, lesson);
    await roll(page);
    await expect(warning(page)).toContainText(/The take stops by itself in \d+ s/);
    await page.waitForURL(/review/, { timeout: 30_000 });
    await listened(request, lesson.sections[0]?.id ?? '');
});

test('the small window shows the room, and goes again and finishes from there', async ({ page, context, request }) => {
    const lesson = await makeLesson(request, 'Small window', ['Line one. Line two.']);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    const opened = context.waitForEvent('page');
    await page.getByRole('button', { name: 'Small window' }).click();
    const small = await opened;
    await expect(small.getByText('Ready')).toBeVisible();
    await page.bringToFront();
    await roll(page);
    await expect(small.getByText('Recording')).toBeVisible();
    await expect(small.getByText('Line one.')).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await expect(small.getByText('Line two.')).toBeVisible();
    await page.waitForTimeout(1500);
    await small.getByRole('button', { name: 'Go again' }).click();
    await small.getByRole('button', { name: 'Pause' }).click();
    await expect(small.getByText('Paused')).toBeVisible();
    await small.getByRole('button', { name: 'Resume' }).click();
    await page.waitForTimeout(1200);
    await small.getByRole('button', { name: 'Finish' }).click();
    await page.waitForURL(/review/);
    const take = await listened(request, lesson.sections[0]?.id ?? '');
    expect(take.retakes).toHaveLength(1);
});

test('the screen as it is becomes a slide, and the pointer is seen in the film', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Still', [
        '[screen: the gauge] [layout: slide alone]\n\nLook there, where the number stands, and keep looking at it for a while.',
    ]);
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice', STAND_IN_SCREEN);
    await page.getByRole('button', { name: 'Screen as a slide' }).click();
    await expect(page.getByText('The screen as it is now is a slide: Screen.')).toBeVisible();
    const [slide] = (await (await request.get(`/api/lessons/${lesson.id}/slides`)).json()) as { width: number }[];
    expect(slide?.width).toBe(1920);
    await roll(page);
    const box = await page.getByLabel('The stage: point at it or write on it').boundingBox();
    const at = (x: number, y: number) => [
        (box?.x ?? 0) + (box?.width ?? 0) * x,
        (box?.y ?? 0) + (box?.height ?? 0) * y,
    ];
    const [x = 0, y = 0] = at(0.7, 0.86);
    for (let i = 0; i < 8; i++) {
        await page.mouse.move(x + (i % 2), y);
        await page.waitForTimeout(200);
    }
    await page.mouse.click(x, y);
    await page.waitForTimeout(3500);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
    const taken = await listened(request, lesson.sections[0]?.id ?? '');
    const whole = { used_from_ms: 0, used_until_ms: taken.length_ms };
    await request.patch(`/api/takes/${taken.id}`, { data: whole });
    const plan = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    const marks = plan.segments.flatMap(({ shots }) =>
        shots.flatMap((shot) => shot.picture.layers.flatMap((layer) => layer.marks)),
    );
    const ring = marks.find((mark) => mark.kind === 'ring' && mark.opacity_to === 1 && mark.until - mark.from > 3);
    expect(ring).toBeDefined();
    expect(marks.some((mark) => mark.kind === 'outline')).toBe(true);
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    // On the ring's line, left of its middle: petrol on a white sheet.
    if (ring?.kind === 'ring') {
        const frame = Math.floor((ring.from + ring.until) / 2);
        const radius = ((ring.radius - ring.line / 2) * 720) / 10_000;
        const [red = 255, green = 0, blue = 0] = patchOf(
            film,
            frame,
            Math.round(ring.x * 1280 - radius) - 1,
            Math.round(ring.y * 720) - 1,
            2,
        );
        expect(red).toBeLessThan(90);
        expect(green).toBeGreaterThan(50);
        expect(blue).toBeGreaterThan(60);
    }
    expect((await readLesson(request, lesson.id)).sections[0]?.take_count).toBe(1);
});

test('the prompter moves with the voice, and waits while nobody speaks', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'By voice', [
        'The water falls one twelfth in the first hour of the tide. In the second hour it falls two. Then three more.',
    ]);
    await page.addInitScript(() =>
        localStorage.setItem('reel.setup', JSON.stringify({ prompter: { pace: 'voice', speed: 1.2 } })),
    );
    await openRecord(page, lesson);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await roll(page);
    const current = page.locator('.prompter .current');
    await expect(current).toHaveText('In the second hour it falls two.', { timeout: 12_000 });
    await page.keyboard.press('ArrowUp');
    await expect(current).toHaveText(/The water falls/);
    await page.keyboard.press('f');
    await page.waitForURL(/review/);
});
