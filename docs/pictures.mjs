// Takes the pictures of the README from a running demo: node docs/pictures.mjs http://127.0.0.1:8020
import { chromium } from '@playwright/test';
import { fileURLToPath } from 'node:url';

const base = process.argv[2] ?? 'http://127.0.0.1:8020';
const out = fileURLToPath(new URL('screenshots/', import.meta.url));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const read = async (path) => (await fetch(`${base}/api/${path}`)).json();
const [summary] = await read('lessons');
const lesson = await read(`lessons/${summary.id}`);
const [, , , fourth, , sixth, seventh] = lesson.sections;
const at = (room, section) => page.goto(`${base}/lessons/${lesson.id}/${room}${section ? `/${section.id}` : ''}`);
const shot = async (name) => {
    await page.waitForTimeout(1500);
    await page.screenshot({ path: `${out}${name}.png` });
};

await page.goto(base);
await shot('shelf');
await at('script');
await shot('script');
await page.getByRole('button', { name: 'Slides', exact: true }).click();
await shot('slides');
await page.goto(`${base}/courses/${lesson.course.id}`);
await shot('course');
await at('record', seventh);
await page.getByText('Ready', { exact: true }).waitFor();
await page.waitForTimeout(1500);
await page.keyboard.press('r');
await page.waitForTimeout(8500);
await page.keyboard.press('ArrowDown');
await shot('record');
await page.keyboard.press('f');
await page.waitForURL(/review/);
await at('review', fourth);
await page.getByRole('button', { name: /^Take 2,/ }).click();
await shot('review');
await at('review', sixth);
await page.getByRole('button', { name: /Keep/ }).click();
await at('finish');
await shot('finish');
await at('handover');
await page.getByRole('button', { name: 'Export' }).click();
await page.getByText('Checked: the file is as intended').waitFor({ timeout: 300_000 });
await shot('export');
await browser.close();
