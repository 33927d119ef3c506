import { chromium } from '@playwright/test';

/** A browser on the page at an address, once the server there answers. */
export async function opened(address) {
    const browser = await chromium.launch({
        executablePath: '/usr/bin/chromium',
        args: ['--no-sandbox', '--disable-gpu'],
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    for (let tries = 0; tries < 50; tries++) {
        const answer = await page.goto(address).catch(() => null);
        if (answer?.ok()) {
            break;
        }
        await page.waitForTimeout(200);
    }
    return { browser, page };
}
