import { expect, type Locator, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import type { Assembly } from '../../resources/js/api/types';
import { colour, drawn, frameOf, likeness, taken } from './film';
import { filmOf, isAccessible, makeLesson, probe, slides, textOf } from './helpers';

test('a zoom, an arrow and a dissolve are placed by mouse and by keyboard, and the film has them', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Decorated', [
        '[layout: slide alone]\n\nLook at the table here and see what it says.',
        '[layout: slide alone]\n\nThen look at the next one.',
    ]);
    for (const [index, section] of lesson.sections.entries()) {
        const buffer = readFileSync(slides(index + 2)[0] ?? '');
        await request.post(`/api/lessons/${lesson.id}/slides`, {
            multipart: { 'files[0]': { name: 'tide.png', mimeType: 'image/png', buffer }, section: section.id },
        });
        await taken(request, lesson, [], index);
    }
    const assembly = async () => (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    await page.setViewportSize({ width: 1600, height: 1100 });
    await page.goto(`/lessons/${lesson.id}/finish`);
    const stage: Locator = page.getByRole('group', { name: 'The lesson as it will be exported' });
    const word = (text: string, section = 0) =>
        page.locator(`#board-${lesson.sections[section]?.id} .word`, { hasText: text }).first();

    // By mouse: over some words the upper left quarter fills the picture.
    await word('table').hover();
    await page.mouse.down();
    await word('see').hover();
    await page.mouse.up();
    await page.getByRole('button', { name: 'Zoom and emphasis' }).click();
    await page.getByRole('button', { name: 'Zoom in...' }).click();
    const corner = page.getByRole('button', { name: 'Bottom right corner' });
    const at = await corner.boundingBox();
    const whole = await stage.boundingBox();
    if (!at || !whole) {
        throw new Error('Nothing is to be placed.');
    }
    await page.getByRole('group', { name: 'Zoom: move it' }).press('Home');
    await page.mouse.move(at.x + 20, at.y + 20);
    await page.mouse.down();
    await page.mouse.move(whole.x + 0.8 * whole.width, whole.y + 0.8 * whole.height, { steps: 4 });
    await page.mouse.up();
    await expect(page.getByLabel('Width')).not.toHaveValue('40');
    // And exactly by numbers.
    for (const [name, value] of [
        ['Width', '50'],
        ['Left', '0'],
        ['Top', '0'],
    ] as const) {
        await page.getByLabel(name, { exact: true }).fill(value);
        await page.getByLabel(name, { exact: true }).press('Enter');
    }
    await page.getByRole('button', { name: 'Zoom to this' }).click();
    await expect(page.getByText('Zoom for these words.')).toBeVisible();
    expect(await textOf(request, lesson.id)).toContain('[zoom: 0 0 50] table here and see [zoom: out] what');

    // By keyboard alone: an arrow from a word on.
    await word('next', 1).focus();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowRight');
    await page.getByRole('button', { name: 'Arrow', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Where the arrow points' }).focus();
    for (let i = 0; i < 2; i++) {
        await page.keyboard.press('Shift+ArrowLeft');
    }
    await page.getByLabel('From left').fill('70');
    await page.getByLabel('From left').press('Enter');
    await page.getByLabel('Colour').selectOption('accent');
    await isAccessible(page);
    await page.getByRole('button', { name: 'Show it' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Arrow from here on.')).toBeVisible();
    expect(await textOf(request, lesson.id)).toContain('[emphasis: arrow 70 70 30 50, accent] next');

    const long = (await assembly()).frames;
    await page.getByLabel('How section 2 meets the one before it').selectOption('dissolve, 1 s');
    await expect.poll(async () => (await assembly()).frames).toBe(long - 25);

    const plan = await assembly();
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    expect(probe(film).frames).toBe(plan.frames);
    const [first, second] = plan.segments;
    const zooming = first?.shots[1]?.offset ?? -1;
    expect(first?.shots[1]?.picture.layers[0]?.motion?.frames).toBe(20);
    const begins = second?.start_frame ?? -1;
    const pointed = second?.shots.find(({ picture }) => picture.layers.some(({ marks }) => marks.length > 0));
    const arrow = begins + (pointed?.offset ?? -1000);
    expect(arrow).toBeGreaterThan(begins);
    await page.reload();
    // As large as the film, so that only what is different can be different.
    await page.setViewportSize({ width: 1800, height: 1100 });
    await page.addStyleTag({ content: '.finish-room { grid-template-columns: 20rem 1280px !important }' });
    for (const frame of [zooming - 1, zooming + 5, zooming + 30, begins + 12, arrow + 1]) {
        await page.getByLabel('Place in the lesson').fill(String(frame));
        await expect(stage).toHaveAttribute('data-frame', String(frame));
        await expect(stage.locator('.scene:not([aria-hidden]) .slide img').first()).toBeVisible();
        await drawn(page);
        const shown = test.info().outputPath(`browser-${frame}.png`);
        await stage.screenshot({ path: shown });
        expect(likeness(shown, frameOf(film, frame)), `frame ${frame}`).toBeGreaterThan(0.97);
    }
    // The arrow's shaft, half-way from 70, 70 to 30, 50: petrol once it is there, and not before.
    const isPetrol = ([r = 0, , b = 0]: number[]) => Math.abs(r - 11) < 20 && Math.abs(b - 102) < 20;
    const middle = (frame: number) => colour(frameOf(film, frame), 638, 431);
    expect([isPetrol(middle(arrow - 1)), isPetrol(middle(arrow + 1))]).toEqual([false, true]);
});
