import { expect, type Page, test } from '@playwright/test';
import { choose, finish, makeLesson, openRecord, roll, takesOf } from './helpers';

/** Gives the page a way to pull the microphone's plug: `window.unplug()`. */
const letUnplug = (page: Page) =>
    page.addInitScript(() => {
        const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
        navigator.mediaDevices.getUserMedia = async (options) => {
            const stream = await open(options);
            if (options?.audio) {
                (window as never as { unplug: () => void }).unplug = () => {
                    stream.getTracks().forEach((track) => {
                        track.stop();
                        track.dispatchEvent(new Event('ended'));
                    });
                };
            }
            return stream;
        };
    });

const words = ['One line to say. Another line to say.'];

test('a reload in the middle of a take loses at most the last second', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Reload', words);
    const section = lesson.sections[0]?.id ?? '';
    const handedOver = new Set<string>();
    page.on('request', (asked) => /\/chunks\/\d+$/.test(asked.url()) && handedOver.add(asked.url()));
    await openRecord(page, lesson);
    await roll(page);
    // Seconds that the recorder has handed over; a busy machine is later with them.
    await expect.poll(() => handedOver.size).toBeGreaterThanOrEqual(5);
    page.on('dialog', (dialog) => void dialog.accept());
    await page.reload();

    await expect(page.getByText(/Take 1 was cut off while recording/)).toBeVisible();
    await expect.poll(async () => (await takesOf(request, section))[0]?.state).toBe('ready');
    const [take] = await takesOf(request, section);
    expect(take?.length_ms).toBeGreaterThan(4000);
    await page.getByRole('link', { name: 'Review' }).click();
    await expect(page.getByRole('heading', { name: 'Take 1' })).toBeVisible();
    await expect(page.getByRole('button', { name: /Keep/ })).toBeEnabled();
});

test('a server away for twenty seconds loses nothing', async ({ page, request, context }) => {
    const lesson = await makeLesson(request, 'Away', words);
    await openRecord(page, lesson);
    await roll(page);
    await page.waitForTimeout(2000);
    await context.setOffline(true);
    await expect(page.getByText(/What you record is kept in this browser/)).toBeVisible();
    await page.waitForTimeout(20_000);
    await page.keyboard.press('f');
    await expect(page.getByText('Sending the take to the server')).toBeVisible();
    await context.setOffline(false);
    await page.waitForURL(/\/review\//, { timeout: 30_000 });

    await expect(page.getByText(/used of/)).toBeVisible();
    const [take] = await takesOf(request, lesson.sections[0]?.id);
    expect(take?.length_ms).toBeGreaterThan(21_500);
});

test('chunks are on the server within two seconds of being spoken', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Soon', words);
    const acknowledged: number[] = [];
    page.on('response', (answer) => {
        if (/\/chunks\/\d+$/.test(answer.url()) && answer.ok()) {
            acknowledged.push(Date.now());
        }
    });
    await openRecord(page, lesson);
    await roll(page);
    const rolled = Date.now();
    await page.waitForTimeout(6000);
    // The first chunk holds the first second: it must be there two seconds after that at the latest; then one a second.
    expect((acknowledged[0] ?? Infinity) - rolled).toBeLessThan(3000);
    expect(acknowledged.length).toBeGreaterThanOrEqual(4);
    await finish(page);
});

test('two windows do not both record', async ({ page, request, context }) => {
    const lesson = await makeLesson(request, 'Two windows', words);
    await openRecord(page, lesson);
    await roll(page);
    const second = await context.newPage();
    await openRecord(second, lesson);
    await second.keyboard.press('r');
    await expect(second.getByText('Another window is recording.')).toBeVisible();
    expect(await takesOf(request, lesson.sections[0]?.id)).toHaveLength(1);
    await second.close();
    await finish(page);
});

test('a count-down cancelled and started again before the server answered records one take', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Again at once', words);
    const section = lesson.sections[0]?.id ?? '';
    await openRecord(page, lesson);
    await page.route('**/takes', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 700));
        await route.continue();
    });
    await page.keyboard.press('r');
    await expect(page.getByText('Counting down')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await roll(page);
    await page.waitForTimeout(2500);
    await finish(page);
    const takes = await takesOf(request, section);
    expect(takes.map((take) => take.state)).toEqual(['ready']);
    expect(takes[0]?.length_ms).toBeGreaterThan(1800);
    expect(takes[0]?.length_ms).toBeLessThan(6000);
});

test('leaving in the middle of the count-down leaves nothing rolling', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Leaving early', words);
    await openRecord(page, lesson);
    await page.keyboard.press('r');
    await expect(page.getByText('Counting down')).toBeVisible();
    await page.getByRole('link', { name: 'Script' }).click();
    await page.getByRole('button', { name: /leave/ }).click();
    await page.waitForURL(/\/script/);
    await page.waitForTimeout(4000);
    expect(await takesOf(request, lesson.sections[0]?.id)).toEqual([]);
});

test('leaving while rolling asks first', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Leaving', words);
    await openRecord(page, lesson);
    await roll(page);
    await page.getByRole('link', { name: 'Script' }).click();
    await expect(page.getByRole('dialog', { name: 'The take is still rolling' })).toBeVisible();
    await page.getByRole('button', { name: 'Keep recording' }).click();
    await expect(page.getByText('Recording', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Script' }).click();
    await page.getByRole('button', { name: 'Finish the take and leave' }).click();
    await page.waitForURL(/\/script/);
    await expect.poll(async () => (await takesOf(request, lesson.sections[0]?.id))[0]?.state).toBe('ready');
});

test('devices that are refused or missing are answered with what to do', async ({ browser, request }) => {
    const lesson = await makeLesson(request, 'No devices', words);
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.addInitScript(() => {
        const refuse = (options: MediaStreamConstraints) =>
            Promise.reject(new DOMException('', options.video ? 'NotAllowedError' : 'NotFoundError'));
        navigator.mediaDevices.getUserMedia = refuse as never;
    });
    await page.goto(`/lessons/${lesson.id}/record`);
    await expect(page.getByText('The browser was not allowed to use the camera.')).toBeVisible();
    await expect(page.getByText('There is no microphone to be found.')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Record/ })).toBeDisabled();
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await expect(page.getByRole('button', { name: /^Record/ })).toBeEnabled();
    await context.close();
});

test('a device unplugged while nothing rolls finishes no take', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Unplugged early', words);
    await letUnplug(page);
    await openRecord(page, lesson);
    await page.evaluate(() => (window as never as { unplug: () => void }).unplug());
    await expect(page.getByText(/The microphone was unplugged. Plug it in again/)).toBeVisible();
    await expect(page.getByText(/The take was finished/)).toBeHidden();
    expect(await takesOf(request, lesson.sections[0]?.id)).toEqual([]);
});

test('a device unplugged while rolling ends the take, which is kept', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Unplugged', words);
    await letUnplug(page);
    await openRecord(page, lesson);
    await roll(page);
    await page.waitForTimeout(2500);
    await page.evaluate(() => (window as never as { unplug: () => void }).unplug());
    await expect(page.getByText(/The microphone was unplugged. The take was finished/)).toBeVisible();
    await page.waitForURL(/\/review\//);
    await expect(page.getByText(/used of/)).toBeVisible();
});
