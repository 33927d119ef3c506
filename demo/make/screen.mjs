// Records the screen of the demo's take 03-1 off the stand-in screen of a running Open Reel:
// node demo/make/screen.mjs http://127.0.0.1:8020 [FILE [SECONDS]]
import { chromium } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const base = process.argv[2] ?? 'http://127.0.0.1:8020';
const out = process.argv[3] ?? fileURLToPath(new URL('../lesson/takes/03-1.screen.webm', import.meta.url));
const seconds = Number(process.argv[4] ?? 31);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => localStorage.setItem('reel.setup', JSON.stringify({ camera: 'none', microphone: 'none', screen: 'stand-in' })));
const [summary] = await (await fetch(`${base}/api/lessons`)).json();
const lesson = await (await fetch(`${base}/api/lessons/${summary.id}`)).json();
await page.goto(`${base}/lessons/${summary.id}/record/${lesson.sections[3].id}`);
await page.locator('.record-stage .screen video').waitFor({ state: 'attached' });
await page.waitForTimeout(1000);
const recorded = await page.evaluate(async (length) => {
    const video = document.querySelector('.record-stage .screen video');
    const recorder = new MediaRecorder(video.srcObject, { mimeType: 'video/webm;codecs=h264', videoBitsPerSecond: 1_200_000 });
    const chunks = [];
    recorder.ondataavailable = ({ data }) => chunks.push(data);
    const stopped = new Promise((done) => (recorder.onstop = done));
    recorder.start(1000);
    await new Promise((go) => setTimeout(go, 1000 * length));
    recorder.stop();
    await stopped;
    const bytes = new Uint8Array(await new Blob(chunks).arrayBuffer());
    let text = '';
    for (const byte of bytes) {
        text += String.fromCharCode(byte);
    }
    return btoa(text);
}, seconds);
writeFileSync(out, Buffer.from(recorded, 'base64'));
await browser.close();
