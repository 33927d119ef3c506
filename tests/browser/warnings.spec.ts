import { expect, type Page, test } from '@playwright/test';
import { devices, makeLesson, openRecord, roll, warning } from './helpers';

const moving = { moving: true, width: 1280 };

/** It is said, be it first or among those that are less urgent. */
async function isTold(page: Page, says: string): Promise<void> {
    await expect
        .poll(
            async () => {
                const more = await warning(page)
                    .locator('[title]')
                    .evaluateAll((all) => all.map((one) => one.getAttribute('title')));
                return [await warning(page).innerText(), ...more].join('\n');
            },
            { timeout: 25_000 },
        )
        .toContain(says);
}

async function roomFor(page: Page, request: Parameters<typeof makeLesson>[0], script = 'One.'): Promise<void> {
    await openRecord(page, await makeLesson(request, 'Warned', [script]));
}

async function shareScreen(page: Page): Promise<void> {
    await warning(page).getByRole('button', { name: 'Share a screen' }).click();
    await expect(page.locator('.record-stage .screen video')).toBeAttached();
}

async function end(page: Page): Promise<void> {
    await page.keyboard.press('f');
    await page.waitForURL(/review/);
}

test('a black camera and a telephone microphone are told', async ({ page, request }) => {
    await devices(page, { camera: '#000', rate: 16_000 });
    await roomFor(page, request);
    await isTold(page, "The camera's picture is black. Open its cover");
    await isTold(page, 'telephone quality (16 kHz)');
});

test('a camera that stands still is told while it rolls', async ({ page, request }) => {
    await devices(page, {});
    await roomFor(page, request);
    await roll(page);
    await isTold(page, "The camera's picture stands still. The take is still rolling.");
    await end(page);
});

test('a room with nothing wrong says nothing', async ({ page, request }) => {
    await devices(page, moving);
    await roomFor(page, request);
    await roll(page);
    await page.waitForTimeout(6500);
    await expect(warning(page)).toHaveText('');
    await end(page);
});

test('that no microphone is chosen is told', async ({ page, request }) => {
    await devices(page, moving);
    await page.addInitScript(() => localStorage.setItem('reel.setup', JSON.stringify({ microphone: 'none' })));
    await roomFor(page, request);
    await isTold(page, 'No microphone is chosen: nobody will hear you.');
});

test('a microphone that is switched off is told', async ({ page, request }) => {
    await devices(page, moving);
    await page.addInitScript(() => {
        // As the switch on a headset's cable does it.
        Object.defineProperty(MediaStreamTrack.prototype, 'muted', {
            get(this: MediaStreamTrack) {
                return this.kind === 'audio';
            },
        });
    });
    await roomFor(page, request);
    await isTold(page, 'The microphone is switched off at the device. Switch it on.');
});

test('a microphone that went silent, and one that is too loud, are told', async ({ page, request }) => {
    await devices(page, { ...moving, loud: 1e-6 });
    await roomFor(page, request);
    await roll(page);
    await isTold(page, 'The take is still rolling. Check the plug.');
    await expect(warning(page)).toContainText(/The microphone went silent \d+ s ago/);
    await end(page);
    await devices(page, { ...moving, loud: 1.5 });
    await roomFor(page, request);
    await isTold(page, 'The microphone is too loud.');
});

test('a black screen is told', async ({ page, request }) => {
    await devices(page, moving);
    await page.addInitScript(() => {
        localStorage.setItem('reel.setup', JSON.stringify({ screen: 'ask' }));
        navigator.mediaDevices.getDisplayMedia = async () => {
            const canvas = Object.assign(document.createElement('canvas'), { width: 1280, height: 720 });
            const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
            setInterval(() => pen.fillRect(0, 0, 1280, 720), 100);
            return canvas.captureStream(10);
        };
    });
    await roomFor(page, request, '[screen: anything]\n\nOne.');
    await shareScreen(page);
    await isTold(page, 'The screen that is shared is black. Share it again');
});

test('chunks that do not reach the server are told, and that they are safe', async ({ page, request }) => {
    await devices(page, moving);
    await roomFor(page, request);
    await roll(page);
    await page.route('**/api/tracks/**', (route) => route.abort());
    await isTold(page, 'What you record is kept in this browser and sent as soon as it can be.');
    await isTold(page, 'They are safe in this browser. Leave it open.');
    await page.unroute('**/api/tracks/**');
    await expect(warning(page)).not.toContainText(/on their way|kept in this browser|more/, { timeout: 30_000 });
    await end(page);
});

test('little room, a low battery and a small camera are told', async ({ page, request }) => {
    await devices(page, { ...moving, width: 320 });
    await page.addInitScript(() => {
        navigator.storage.estimate = async () => ({ quota: 300e6, usage: 20e6 });
        Object.assign(navigator, { getBattery: async () => ({ charging: false, level: 0.12 }) });
    });
    await roomFor(page, request);
    await isTold(page, 'This browser has only 280 MB left.');
    await isTold(page, 'The battery is at 12 %. Plug in the charger before you go on.');
    await isTold(page, 'The camera gives 320 pixels for a frame of 1280');
});

test('pictures that the camera leaves out are told', async ({ page, request }) => {
    await devices(page, moving);
    await page.addInitScript(() => {
        const settings = MediaStreamTrack.prototype.getSettings;
        // Three times as many are promised as come.
        MediaStreamTrack.prototype.getSettings = function (this: MediaStreamTrack) {
            return { ...settings.call(this), ...(this.kind === 'video' ? { frameRate: 45 } : {}) };
        };
    });
    await roomFor(page, request);
    await roll(page);
    await isTold(page, 'of 45 pictures a second come from the camera. The take is still rolling.');
    await end(page);
});
