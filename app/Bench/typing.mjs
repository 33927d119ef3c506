// Types into the page at the given address and prints the 95th percentile of milliseconds from key to paint.
import { opened } from './opened.mjs';

const [address] = process.argv.slice(2);
const keys = 240;
const { browser, page } = await opened(address);
await page.getByText('All saved').waitFor();
await page.waitForTimeout(1500);
await page.evaluate(() => {
    window.times = [];
    window.addEventListener(
        'keydown',
        () => {
            const start = performance.now();
            requestAnimationFrame(() => {
                const channel = new MessageChannel();
                channel.port1.onmessage = () => window.times.push(performance.now() - start);
                channel.port2.postMessage(null);
            });
        },
        true,
    );
});
// In the middle of the script, with saves and their answers coming in between.
await page.locator('.cm-content').click({ position: { x: 200, y: 300 } });
for (let i = 0; i < 12; i++) {
    await page.keyboard.press('PageDown');
}
await page.evaluate(() => (window.times.length = 0));
for (let i = 0; i < keys; i++) {
    await page.keyboard.press('abcdefg hijk. '[i % 14] ?? 'a');
    await page.waitForTimeout(40);
}
const times = (await page.evaluate(() => window.times)).sort((a, b) => a - b);
console.log(times[Math.floor(times.length * 0.95)].toFixed(1));
await browser.close();
