import { type Browser, chromium, expect, test } from '@playwright/test';
import { type ChildProcess, spawn } from 'node:child_process';
import { filmOf, finish, makeLesson, patchOf, roll, takesOf, warning } from './helpers';

/** A whole screen of 1920 by 1080, white where no window stands. */
let display: { name: string; programs: ChildProcess[] };
let browser: Browser;

test.beforeAll(async ({ launchOptions }) => {
    // The server finds a free number by itself and tells it.
    const screen = spawn('Xvfb', ['-displayfd', '1', '-screen', '0', '1920x1080x24', '-wr', '-nolisten', 'tcp'], {
        stdio: ['ignore', 'pipe', 'ignore'],
    });
    const name = await new Promise<string>((known, failed) => {
        screen.once('error', failed);
        screen.stdout?.once('data', (told: Buffer) => known(`:${told.toString().trim()}`));
    });
    const windows = spawn('openbox', [], { env: { ...process.env, DISPLAY: name }, stdio: 'ignore' });
    display = { name, programs: [windows, screen] };
    browser = await chromium.launch({
        ...launchOptions,
        headless: false,
        env: { ...process.env, DISPLAY: name },
        args: [
            // The first answers the question which screen to share, the second which camera.
            ...(launchOptions.args ?? []).filter((one) => one !== '--use-fake-ui-for-media-stream'),
            '--auto-select-desktop-capture-source=Entire screen',
            '--window-position=0,0',
            '--window-size=1280,900',
        ],
    });
});

test.afterAll(async () => {
    await browser?.close();
    display?.programs.forEach((program) => program.kill());
});

test('a real screen is recorded whole, and the page that stands on it is told', async ({ request, baseURL }) => {
    const lesson = await makeLesson(request, 'A real screen', [
        '[screen: the chart plotter] [layout: slide alone]\n\nThis is the whole screen. It is recorded as it is.',
    ]);
    const context = await browser.newContext({ baseURL, viewport: null, permissions: ['camera', 'microphone'] });
    await context.addInitScript(() => localStorage.setItem('reel.setup', JSON.stringify({ screen: 'ask' })));
    const page = await context.newPage();
    await page.goto(`/lessons/${lesson.id}/record/${lesson.sections[0]?.id}`);
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await warning(page).getByRole('button', { name: 'Share a screen' }).click();
    await expect(page.locator('.record-stage .screen video')).toBeAttached();
    // It is looked for three times, for ten seconds each.
    await expect(warning(page).filter({ hasText: 'This page is on the screen that is recorded.' })).toBeVisible({
        timeout: 35_000,
    });

    await roll(page);
    await page.waitForTimeout(4000);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    await context.close();

    const [take] = await takesOf(request, lesson.sections[0]?.id);
    expect(take?.screen).toMatchObject({ width: 1920, height: 1080 });
    // Shown whole in a frame of 1280 by 720: the bare screen right of the window, and the dark room in its middle.
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    patchOf(film, 50, 1100, 600).forEach((value) => expect(value).toBeGreaterThan(245));
    patchOf(film, 50, 8, 250).forEach((value) => expect(value).toBeLessThan(60));
});
