import { expect, type Locator, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { colour, drawn, frameOf, likeness, taken } from './film';
import { filmOf, makeLesson, slides } from './helpers';

test('a box drawn while recording is seen for two seconds, in the browser as in the film', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'A box', ['[layout: slide alone]\n\nLook here.']);
    const slide = { name: 'tide.png', mimeType: 'image/png', buffer: readFileSync(slides(1)[0] ?? '') };
    await request.post(`/api/lessons/${lesson.id}/slides`, {
        multipart: { 'files[0]': slide, section: lesson.sections[0]?.id ?? '' },
    });
    // Drawn from second 1 to 3.
    const box = { at_ms: 1000, kind: 'box', for_ms: 2000, x: 0.2, y: 0.25, width: 0.4, height: 0.5, colour: '0B5D66' };
    await taken(request, lesson, [box]);
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));

    await page.setViewportSize({ width: 1600, height: 1100 });
    await page.goto(`/lessons/${lesson.id}/finish`);
    const stage: Locator = page.getByRole('group', { name: 'The lesson as it will be exported' });
    const marks = stage.locator('.scene:not([aria-hidden]) .marks rect');
    // Before it, its first and last frame, a frame in the middle, behind it.
    for (const [frame, seen] of [
        [24, 0],
        [25, 1],
        [50, 1],
        [74, 1],
        [75, 0],
    ] as const) {
        await page.getByLabel('Place in the lesson').fill(String(frame));
        await expect(stage).toHaveAttribute('data-frame', String(frame));
        await expect(marks).toHaveCount(seen);
        await expect(stage.locator('.scene:not([aria-hidden]) .slide img')).toBeVisible();
        await drawn(page);
        const shown = test.info().outputPath(`browser-${frame}.png`);
        await stage.screenshot({ path: shown });
        const rendered = frameOf(film, frame);
        expect(likeness(shown, rendered), `frame ${frame}`).toBeGreaterThan(0.97);
        // On the upper line of the box: at a quarter of 720 rows, 5.76 pixels wide.
        const [inBrowser, inFilm] = [colour(shown, 600, 183), colour(rendered, 600, 183)];
        inFilm.forEach((value, part) => expect(Math.abs(value - (inBrowser[part] ?? 0))).toBeLessThanOrEqual(16));
        const isPetrol = Math.abs((inFilm[0] ?? 0) - 11) < 14 && Math.abs((inFilm[2] ?? 0) - 102) < 14;
        expect(isPetrol, `frame ${frame}: ${inFilm}`).toBe(seen === 1);
    }
});
