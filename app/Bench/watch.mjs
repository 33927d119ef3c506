// Jumps to words all over the lesson at the given address and prints the milliseconds until the frame is seen: the slowest but
// one of twenty (the 95th percentile).
import { opened } from './opened.mjs';

const [address] = process.argv.slice(2);
const { browser, page } = await opened(address);
await page.locator('.word').first().waitFor();
await page.waitForTimeout(3000);
const count = await page.locator('.word').count();
const times = [];
for (let jump = 0; jump < 20; jump++) {
    const index = (jump * 37 + 5) % count;
    times.push(
        await page.evaluate(
            (at) =>
                new Promise((resolve) => {
                    const word = document.querySelectorAll('.word')[at];
                    const stage = document.querySelector('.watch .frame-picture');
                    const before = stage.dataset.frame;
                    const start = performance.now();
                    const seen = () => {
                        const videos = [...document.querySelectorAll('.watch .scene:not([aria-hidden]) video')];
                        const isThere = videos.every((one) => !one.getAttribute('src') || (!one.seeking && one.readyState >= 2));
                        if (stage.dataset.frame === before || !isThere) {
                            requestAnimationFrame(seen);
                            return;
                        }
                        requestAnimationFrame(() => resolve(performance.now() - start));
                    };
                    word.dispatchEvent(new MouseEvent('mousedown', { bubbles: true, button: 0 }));
                    word.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, button: 0 }));
                    word.dispatchEvent(new PointerEvent('pointerup', { bubbles: true, button: 0 }));
                    word.dispatchEvent(new MouseEvent('mouseup', { bubbles: true, button: 0 }));
                    word.click();
                    requestAnimationFrame(seen);
                }),
            index,
        ),
    );
    await page.waitForTimeout(300);
}
times.sort((a, b) => a - b);
console.log(times[18].toFixed(1));
await browser.close();
