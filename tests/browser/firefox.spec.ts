import { expect, test } from '@playwright/test';
import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import type { Export, Lesson } from '../../resources/js/api/types';
import { probe } from './helpers';

let soundFolder = '';
let soundServer: ChildProcess;
const soundSocket = () => join(soundFolder, 'sound');

/** Something to play sound on, which this machine may lack: Firefox measures no sound without. */
test.beforeAll(async () => {
    soundFolder = mkdtempSync(join(tmpdir(), 'reel-sound-'));
    const listens = `module-native-protocol-unix socket=${soundSocket()} auth-anonymous=1`;
    soundServer = spawn('pulseaudio', ['-n', '--exit-idle-time=-1', '-L', 'module-null-sink', '-L', listens], {
        env: { ...process.env, PULSE_RUNTIME_PATH: soundFolder, PULSE_STATE_PATH: soundFolder, HOME: soundFolder },
        stdio: 'ignore',
    });
    await expect.poll(() => existsSync(soundSocket())).toBe(true);
});

test.afterAll(() => {
    soundServer.kill();
    rmSync(soundFolder, { recursive: true, force: true });
});

/** Debian's own Firefox, with a camera and a microphone of its own making, over its own protocol. */
async function openFirefox(): Promise<Browser> {
    return puppeteer.launch({
        browser: 'firefox',
        executablePath: '/usr/bin/firefox-esr',
        env: { ...process.env, PULSE_SERVER: `unix:${soundSocket()}` },
        headless: true,
        defaultViewport: { width: 1280, height: 800 },
        extraPrefsFirefox: {
            'media.navigator.streams.fake': true,
            'media.navigator.permission.disabled': true,
            'datareporting.policy.dataSubmissionEnabled': false,
        },
    });
}

/** Clicks the button that says this, as soon as there is one that can be clicked. */
async function press(page: Page, says: string): Promise<void> {
    const found = await page.waitForFunction(
        (words) =>
            [...document.querySelectorAll('button')].find(
                (one) => !one.disabled && one.checkVisibility() && (one.textContent ?? '').trim().startsWith(words),
            ),
        { timeout: 15_000 },
        says,
    );
    // It may still be on its way to its place.
    await (found as ElementHandle<Element>).asLocator().click();
}

const text = (page: Page, says: string) => page.locator(`::-p-text(${says})`);

/** Waits until something is so on the page. */
const until = (page: Page, is: () => boolean, timeout = 30_000) => page.waitForFunction(is, { timeout });

test('one lesson from the script to the page for viewers, in Firefox', async ({ baseURL, request }) => {
    const firefox = await openFirefox();
    try {
        const page = await firefox.newPage();
        const faults: string[] = [];
        page.on('pageerror', (error) => faults.push(String(error)));
        await page.goto(`${baseURL}/`);
        await press(page, 'New lesson');
        await page.locator('#title').fill('By another browser');
        await press(page, 'Create lesson');
        await until(page, () => location.pathname.endsWith('/script'));
        const id = new URL(page.url()).pathname.split('/')[2] ?? '';
        await page.locator('.cm-content').click();
        await page.keyboard.type('Find the day. Then find the first high water in the morning.');
        await text(page, 'All saved').wait();

        // The page is opened anew, as from a bookmark: nothing has been touched, so sound may sleep.
        const lesson = (await (await request.get(`/api/lessons/${id}`)).json()) as Lesson;
        const section = lesson.sections[0]?.id ?? '';
        await page.goto(`${baseURL}/lessons/${id}/record/${section}`);
        await text(page, 'Ready').wait();
        const devices = await page.$$eval('.devices dd', (all) => all.map((one) => one.textContent ?? ''));
        expect(devices.join()).not.toMatch(/…|no longer there|used last/);
        await page.mouse.click(1100, 650);
        await until(page, () => document.querySelector('.meter strong')?.textContent === 'good');
        await page.keyboard.press('r');
        await until(page, () => document.querySelector('.live-state')?.classList.contains('is-rolling') ?? false);
        // Pictures are counted every five seconds; what is said of them is held against a count of their own: a busy machine
        // may give few.
        await page.evaluate(() => {
            const seen = Object.assign(document.createElement('video'), { muted: true, came: 0 });
            seen.srcObject = document.querySelector<HTMLVideoElement>('.record-stage video')?.srcObject ?? null;
            const next = () => void (seen.came++, seen.requestVideoFrameCallback(next));
            seen.requestVideoFrameCallback(next);
            Object.assign(globalThis, { seen });
            return seen.play();
        });
        const warned: string[] = [];
        for (let second = 0; second < 12; second++) {
            await new Promise((resolve) => setTimeout(resolve, 1000));
            warned.push(await page.$eval('.record-warning', (one) => one.textContent ?? ''));
        }
        expect(warned.join('\n')).not.toContain('silent');
        const came = (await page.evaluate(() => (globalThis as unknown as { seen: { came: number } }).seen.came)) / 12;
        expect(came).toBeGreaterThan(1);
        for (const [, said] of warned.join('\n').matchAll(/Only (\d+) of \d+ pictures a second/g)) {
            expect(Number(said)).toBeGreaterThan(came / 2);
        }
        await page.keyboard.press('f');
        await until(page, () => location.pathname.includes('/review/'));

        await press(page, 'Keep');
        await expect
            .poll(async () => {
                const now = (await (await request.get(`/api/lessons/${id}`)).json()) as Lesson;
                return now.sections[0]?.takes.map((take) => take.verdict);
            })
            .toEqual(['kept']);

        // Watched without being rendered: it plays, or says why it does not.
        await page.goto(`${baseURL}/lessons/${id}/finish`);
        await press(page, 'Watch');
        await until(page, () => [...document.querySelectorAll('video')].some((video) => video.currentTime > 1));

        await page.goto(`${baseURL}/lessons/${id}/handover`);
        await press(page, 'Export');
        await text(page, 'Checked: the file is as intended').setTimeout(150_000).wait();
        const [film] = (await (await request.get(`/api/lessons/${id}/exports`)).json()) as Export[];
        const file = test.info().outputPath('film.mp4');
        writeFileSync(file, await (await request.get(`/api/exports/${film?.id}/file`)).body());
        const found = probe(file);
        expect(found.codecs).toEqual(['h264', 'aac', 'mov_text']);
        expect([found.width, found.height, found.chapters]).toEqual([1920, 1080, ['Section 1']]);
        expect(found.seconds).toBeGreaterThan(3);
        // It is told that it is finished, over what lies in that corner.
        await until(page, () => document.querySelector('.notices .toast') === null);
        await press(page, 'Publish');
        const path = await page.locator('.site-link a').waitHandle();
        await page.goto(await path.evaluate((link) => (link as HTMLAnchorElement).href));
        await page.locator('#film').click();
        await page.$eval('#film', (one) => (one as HTMLVideoElement).play());
        await until(page, () => (document.querySelector<HTMLVideoElement>('#film')?.currentTime ?? 0) > 0.5);
        // Captions are switched by a key, also right after a click on the film.
        const showing = () => page.$eval('#film', (one) => (one as HTMLVideoElement).textTracks[0]?.mode);
        const before = await showing();
        await page.keyboard.press('c');
        expect(await showing()).not.toBe(before);
        expect(faults).toEqual([]);
    } catch (failure) {
        const [seen] = (await firefox.pages()).slice(-1);
        await seen?.screenshot({ path: test.info().outputPath('seen.png') });
        throw failure;
    } finally {
        await firefox.close();
    }
});
