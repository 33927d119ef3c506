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
const [, , table, curve, springs, , , sill, launch] = lesson.sections;
const at = (room, section) => page.goto(`${base}/lessons/${lesson.id}/${room}${section ? `/${section.id}` : ''}`);
const shot = async (name) => {
    await page.waitForTimeout(1500);
    await page.screenshot({ path: `${out}${name}.png` });
};

await page.goto(base);
await shot('shelf');
await at('script');
await page.getByRole('button', { name: 'Slides', exact: true }).click();
await shot('slides');
await page.goto(`${base}/courses/${lesson.course.id}`);
await shot('course');
await page.evaluate(() => localStorage.setItem('reel.setup', JSON.stringify({ camera: 'stand-in', microphone: 'stand-in', screen: 'stand-in' })));
const ready = () => page.getByText('Ready', { exact: true }).waitFor();
await at('record', curve);
await ready();
await page.getByRole('button', { name: 'Set up' }).click();
await page.getByRole('button', { name: 'Test for five seconds' }).click();
await page.getByText('Good: clear').waitFor({ timeout: 20_000 });
await shot('set-up');
await page.getByRole('button', { name: 'Close' }).click();
for (let i = 0; i < 3; i++) {
    await page.keyboard.press('ArrowDown');
}
const on = async (x, y) => {
    const box = await page.locator('.drawing').boundingBox();
    return [box.x + box.width * x, box.y + box.height * y];
};
await page.mouse.move(...(await on(0.66, 0.42)), { steps: 4 });
await page.waitForTimeout(300);
await page.screenshot({ path: `${out}record-screen.png` });
await page.evaluate(() => localStorage.clear());
await at('record', launch);
await ready();
await page.waitForTimeout(1500);
await page.keyboard.press('r');
await page.waitForTimeout(8500);
await page.keyboard.press('ArrowDown');
await shot('record');
await page.keyboard.press('f');
await page.waitForURL(/review/);
await at('review', springs);
await page.getByRole('button', { name: /^Take 1,/ }).click();
await page.getByRole('button', { name: /^Sound:/ }).click();
await page.getByLabel('Light').check();
await page.getByRole('button', { name: 'Close' }).click();
await page.getByText('The room lies only').waitFor({ timeout: 30_000 });
await shot('sound');
await page.getByRole('button', { name: /As in the lesson/ }).click();
await page.getByRole('button', { name: /^Sound:/ }).click();
await page.locator('.script-margin .line').first().click();
await shot('compare');
await at('review', sill);
await shot('review');
await page.getByRole('button', { name: /Keep/ }).click();
await at('finish', table);
const words = page.locator(`#board-${table.id} .word`);
await words.filter({ hasText: /^morning,$/ }).click();
await page.waitForTimeout(1500);
await shot('finish');
await words.filter({ hasText: /^depth$/ }).click();
await page.getByRole('button', { name: 'Zoom and emphasis' }).click();
await page.getByRole('button', { name: 'Zoom in...' }).click();
await shot('finish-zoom');
await at('handover');
await page.getByRole('button', { name: 'Export', exact: true }).click();
await page.getByText('Checked: the file is as intended').waitFor({ timeout: 300_000 });
await page.getByRole('button', { name: 'Size, format and quality' }).click();
await page.getByRole('button', { name: 'Another file' }).click();
await page.getByLabel('Size').nth(1).selectOption('720x720');
await page.getByRole('group', { name: 'How it will look' }).waitFor();
await page.waitForTimeout(4000);
await shot('export');
await page.getByRole('button', { name: 'Without file 2' }).click();
await page.getByRole('button', { name: 'Size, format and quality' }).click();
await page.getByRole('button', { name: 'Publish', exact: true }).click();
const address = await page.locator('.site-link a').getAttribute('href');
for (const [name, text, at_ms] of [
    ['Piran', 'You say four point eight, the slide says 4.6. Which of the two is it?', 47_500],
    ['Elowen', 'Could you leave the curve a little longer here?', 79_000],
]) {
    await fetch(`${base}${address}/comments`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-Open-Reel': '1' },
        body: JSON.stringify({ name, text, at_ms }),
    });
}
await page.reload();
await page.getByRole('article', { name: 'Comment of Piran' }).waitFor();
await page.locator('.course-site').first().evaluate((one) => one.scrollIntoView());
await shot('course-site');
await at('script', table);
await page.getByRole('link', { name: /^Comment: Piran/ }).waitFor();
await shot('script');
await page.goto(`${base}${address}#t=47`);
await page.locator('.line[aria-current]').waitFor();
await shot('watch');
await at('captions', table);
await page.locator('.shown-caption:visible').waitFor();
await page.getByLabel('Beside it').selectOption('Deutsch');
await page.getByRole('textbox', { name: 'Deutsch' }).fill('Hier ist ein Tag aus unserer Tafel.');
await page.getByRole('textbox', { name: 'Deutsch' }).blur();
await shot('captions');
await browser.close();
