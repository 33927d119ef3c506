// Clicks words all over the lesson at the given address and prints the milliseconds until the frame is seen, the slowest but one
// of twenty (the 95th percentile): first where the pointer comes and presses at once, then where it stands on the word for a
// fifth of a second before.
import { opened } from './opened.mjs';

const [address] = process.argv.slice(2);
const { browser, page } = await opened(address);
await page.locator('.word').first().waitFor();
await page.waitForTimeout(3000);
const count = await page.locator('.word').count();

/** Begins to count when the pointer is down; to be awaited once it is. */
const seen = () =>
    page.evaluate(() => {
        const stage = document.querySelector('.watch .frame-picture');
        const before = stage.dataset.frame;
        window.seen = new Promise((resolve) => {
            const down = ({ timeStamp }) => {
                const look = () => {
                    const videos = [...document.querySelectorAll('.watch .scene:not([aria-hidden]) video')];
                    const isThere = videos.every(
                        (one) => !one.getAttribute('src') || (!one.seeking && one.readyState >= 2),
                    );
                    requestAnimationFrame(
                        stage.dataset.frame !== before && isThere ? () => resolve(performance.now() - timeStamp) : look,
                    );
                };
                look();
            };
            addEventListener('pointerdown', down, { once: true, capture: true });
        });
    });

for (const rests of [0, 200]) {
    const times = [];
    for (let jump = 0; jump < 20; jump++) {
        const word = page.locator('.word').nth((jump * 37 + 5) % count);
        await word.scrollIntoViewIfNeeded();
        await page.mouse.move(2, 2);
        const { x, y, width, height } = await word.boundingBox();
        await seen();
        await page.mouse.move(x + width / 2, y + height / 2);
        if (rests > 0) {
            await page.waitForTimeout(rests);
        }
        await page.mouse.down();
        await page.mouse.up();
        times.push(await page.evaluate(() => window.seen));
        await page.waitForTimeout(300);
    }
    times.sort((a, b) => a - b);
    console.log(times[18].toFixed(1));
}
await browser.close();
