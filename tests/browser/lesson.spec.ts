import { expect, test } from '@playwright/test';
import { WORK_MS, finish, loudness, probe, roll, slides } from './helpers';

test('from nothing to a downloaded film, by keyboard alone', async ({ page }) => {
    const press = (key: string) => page.keyboard.press(key);
    /** Tab until a control has the focus, as someone without a mouse does. */
    const tabTo = async (name: RegExp) => {
        for (let i = 0; i < 60; i++) {
            await press('Tab');
            const here = await page.evaluate(() => {
                const at = document.activeElement as HTMLElement | null;
                if (at === document.body) {
                    // Nothing has the focus, and everything's words are in the body.
                    return '';
                }
                return (
                    at?.getAttribute('aria-label') ??
                    (at as HTMLInputElement | null)?.labels?.[0]?.textContent ??
                    at?.textContent ??
                    ''
                );
            });
            if (name.test(here)) {
                return;
            }
        }
        throw new Error(`No control ${name} can be reached with the keyboard.`);
    };

    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Lessons', exact: true })).toBeVisible();
    await tabTo(/New lesson/);
    await press('Enter');
    await expect(page.getByLabel('Title')).toBeFocused();
    await page.keyboard.type('Tides: "high" & {low} 🌊');
    await tabTo(/Frame size/);
    await press('ArrowDown');
    await tabTo(/Create lesson/);
    await press('Enter');

    await page.waitForURL(/\/script/);
    // An empty lesson waits at its first heading.
    await expect(page.getByRole('textbox', { name: 'Script' })).toBeFocused();
    await page.keyboard.type('High water');
    await press('Enter');
    await page.keyboard.type('Find the day. Then find the first high water, e.g. in the morning.');
    await expect(page.getByText('1 · about')).toBeVisible();
    await expect(page.getByText('All saved')).toBeVisible();
    const chooser = page.waitForEvent('filechooser');
    await tabTo(/Slide of section 1/);
    await press('Enter');
    await (await chooser).setFiles(slides(2));
    await expect(page.getByAltText('Slide: 03')).toBeVisible();
    await expect(page.getByText('All saved')).toBeVisible();
    await tabTo(/^\s*Record section 1$/);
    await press('Enter');

    await page.waitForURL(/\/record\//);
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await expect(page.locator('.meter strong')).toHaveText('good');
    await roll(page);
    await page.waitForTimeout(2500);
    await press('PageDown');
    await expect(page.locator('.prompter .current')).toHaveText(/Then find/);
    await press('p');
    await expect(page.getByText('Paused', { exact: true })).toBeVisible();
    await page.waitForTimeout(5000);
    await press('p');
    await page.waitForTimeout(2500);
    await finish(page);

    await press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    await press('n');
    await page.waitForURL(/\/finish/);
    await expect(page.getByText('1 of 1 sections kept')).toBeVisible();
    await tabTo(/^Hand over$/);
    await tabTo(/^Hand over$/);
    await press('Enter');
    await page.waitForURL(/\/handover/);
    await tabTo(/^Export$/);
    await press('Enter');
    await expect(page.getByText('Checked: the file is as intended')).toBeVisible({ timeout: WORK_MS });
    await tabTo(/Download/);
    const download = page.waitForEvent('download');
    await press('Enter');
    const file = await download;
    expect(file.suggestedFilename()).toBe('Tides high & {low} 🌊.mp4');

    const path = await file.path();
    const film = probe(path);
    expect(film.codecs).toEqual(['h264', 'aac', 'mov_text']);
    expect([film.width, film.height]).toEqual([1280, 720]);
    expect(film.chapters).toEqual(['High water']);
    // Five seconds were spoken; the pause of five more is not in it, however slow the machine is.
    expect(film.seconds).toBeGreaterThan(4);
    expect(film.seconds).toBeLessThan(9);
    // The sound ends with a whole packet of AAC (1024 samples), at most one behind the last frame.
    const later = film.seconds - film.frames / 25;
    expect(later).toBeGreaterThan(-0.001);
    expect(later).toBeLessThan(1024 / 48_000 + 0.001);
    const { lufs, peak } = loudness(path);
    expect(Math.abs(lufs + 16)).toBeLessThanOrEqual(0.6);
    expect(peak).toBeLessThanOrEqual(-1);
});
