// Records in the room at the given address and prints, as JSON: the interface's work while rolling as part of a core, the 95th
// percentile of milliseconds from pen to paint, and the megabytes that browser and server hold, again and again, while the last
// take rolls, in which camera and screen flash together.
import { chromium } from '@playwright/test';
import { held, serverOf } from './served.mjs';
import { unwatched } from './unwatched.mjs';

const [base, lesson, board, screen, stretches, seconds] = process.argv.slice(2);
const SWITCHES = ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required', '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'];

/** Opens the room with a set-up of its own, and waits until it is ready. */
async function room(browser, section, setup) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.addInitScript((value) => localStorage.setItem('reel.setup', JSON.stringify(value)), setup);
    for (let tries = 0; tries < 50; tries++) {
        const answer = await page.goto(`${base}/lessons/${lesson}/record/${section}`).catch(() => null);
        if (answer?.ok()) {
            break;
        }
        await page.waitForTimeout(200);
    }
    await page.getByText('Ready', { exact: true }).waitFor();
    return page;
}

async function roll(page) {
    await page.keyboard.press('r');
    await page.getByText('Recording', { exact: true }).waitFor({ timeout: 15_000 });
}

async function share(page) {
    await page.locator('.record-warning').getByRole('button', { name: 'Share a screen' }).click();
    await page.locator('.record-stage .screen video').waitFor({ state: 'attached' });
    await page.getByText('Ready', { exact: true }).waitFor();
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: SWITCHES });

// What the page itself works: scripts, style and layout. Encoders, and the painting of video, are the browser's.
const working = await room(browser, screen, { screen: 'ask', prompter: { pace: 'voice' } });
await share(working);
await roll(working);
await working.waitForTimeout(2000);
const cdp = await working.context().newCDPSession(working);
await cdp.send('Performance.enable');
const work = ['ScriptDuration', 'LayoutDuration', 'RecalcStyleDuration'];
const busy = async () =>
    (await cdp.send('Performance.getMetrics')).metrics
        .filter(({ name }) => work.includes(name))
        .reduce((sum, { value }) => sum + value, 0);
const [before, since] = [await busy(), Date.now()];
await working.waitForTimeout(12_000);
const cpu = (1000 * ((await busy()) - before)) / (Date.now() - since);
await working.keyboard.press('f');
await working.waitForURL(/review/);
await working.context().close();

const writing = await room(browser, board, {});
await roll(writing);
await writing.keyboard.press('i');
await writing.evaluate(() => {
    window.times = [];
    document.querySelector('.drawing').addEventListener('pointermove', (event) => {
        requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => window.times.push(performance.now() - event.timeStamp);
            channel.port2.postMessage(null);
        });
    });
});
const box = await writing.locator('.drawing').boundingBox();
for (let stroke = 0; stroke < 6; stroke++) {
    await writing.mouse.move(box.x + 60, box.y + 40 + 40 * stroke);
    await writing.mouse.down();
    for (let i = 0; i < 40; i++) {
        await writing.mouse.move(box.x + 60 + 8 * i, box.y + 40 + 40 * stroke + 14 * Math.sin(i / 2));
        await writing.waitForTimeout(14);
    }
    await writing.mouse.up();
}
const times = (await writing.evaluate(() => window.times)).sort((a, b) => a - b);
await writing.keyboard.press('f');
await writing.waitForURL(/review/);
await writing.context().close();

await browser.close();

/**
 * Camera and screen flash in the same task, again and again, and a tone sounds as long as each flash; a voice-like noise tells
 * when each track began. Runs in the page.
 */
function flashes() {
    const canvases = [0, 1].map(() => Object.assign(document.createElement('canvas'), { width: 640, height: 360 }));
    const pens = canvases.map((canvas) => canvas.getContext('2d', { alpha: false }));
    const streams = canvases.map((canvas) => canvas.captureStream(0));
    const gates = [];
    setInterval(() => {
        const bright = performance.now() % 1500 < 300;
        gates.forEach(({ gain }) => (gain.value = bright ? 0.3 : 0));
        pens.forEach((pen, i) => {
            pen.fillStyle = bright ? '#fff' : '#101010';
            pen.fillRect(0, 0, 640, 360);
            pen.fillStyle = '#808080';
            pen.fillRect(performance.now() % 600, 20, 20, 20);
            streams[i].getVideoTracks()[0].requestFrame();
        });
    }, 33);
    const voice = () => {
        const context = new AudioContext({ sampleRate: 48000 });
        const out = context.createMediaStreamDestination();
        const buffer = context.createBuffer(1, 48000 * 7, 48000);
        const samples = buffer.getChannelData(0);
        let loud = 0;
        samples.forEach((_, i) => {
            loud = i % 4000 === 0 ? Math.random() * 0.3 : loud;
            samples[i] = loud * (2 * Math.random() - 1);
        });
        const source = new AudioBufferSourceNode(context, { buffer, loop: true });
        source.connect(out);
        source.start();
        const tone = new OscillatorNode(context, { frequency: 3000 });
        const gate = new GainNode(context, { gain: 0 });
        tone.connect(gate).connect(out);
        tone.start();
        gates.push(gate);
        return out.stream;
    };
    navigator.mediaDevices.getUserMedia = async ({ video }) => (video ? streams[0] : voice());
    navigator.mediaDevices.getDisplayMedia = async () => streams[1];
    if (location.protocol !== 'about:') {
        localStorage.setItem('reel.setup', JSON.stringify({ screen: 'ask' }));
    }
}
const flashing = await unwatched(SWITCHES, `(${flashes})()`);
await flashing.goto(`${base}/lessons/${lesson}/record/${screen}`);
const shows = (text) => `[...document.querySelectorAll('*')].some((one) => [...one.childNodes].some(({ nodeType, data }) => nodeType === 3 && data.trim() === '${text}'))`;
await flashing.until(shows('Ready'));
await flashing.run(`[...document.querySelectorAll('.record-warning button')].find((one) => one.textContent === 'Share a screen').click()`);
await flashing.until(`document.querySelector('.record-stage .screen video') !== null`);
await flashing.until(shows('Ready'));
await flashing.press('r');
await flashing.until(shows('Recording'));

const memory = { browser: [], server: [] };
async function weigh() {
    memory.browser.push(held(await flashing.processes()));
    memory.server.push(held(serverOf(base)));
}
async function newest() {
    const { sections } = await (await fetch(`${base}/api/lessons/${lesson}`)).json();
    return sections.find(({ id }) => id === screen).takes.at(-1);
}
const pass = (ms) => new Promise((over) => setTimeout(over, ms));
// Every stretch but the first begins after a pause.
for (let stretch = 0; stretch < Number(stretches); stretch++) {
    if (stretch > 0) {
        await flashing.press('p');
        await pass(1700);
        await flashing.press('p');
    }
    await pass(1000 * Number(seconds));
    await weigh();
}
await flashing.press('f');
await flashing.until(`location.pathname.includes('/review/')`);
// Review is there before the last chunks are.
for (let waited = 0; waited < 120 && (await newest()).state === 'recording'; waited++) {
    await pass(500);
}
await flashing.close();
console.log(JSON.stringify({ cpu, pen: times[Math.floor(times.length * 0.95)], memory }));
