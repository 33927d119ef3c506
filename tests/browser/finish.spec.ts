import { expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Lesson, Take } from '../../resources/js/api/types';
import { taken } from './film';
import { isAccessible, makeLesson, readLesson, slides, takesOf, textOf } from './helpers';

const topics = ['Picture', 'Zoom and emphasis', 'Text', 'Camera', 'Music'];
const word = (page: Page, text: string) => page.locator('.word', { hasText: text }).first();
const topic = (page: Page, name: string) => page.getByRole('group', { name: 'What to choose' }).getByText(name);

async function opened(page: Page, request: Parameters<typeof makeLesson>[0], title: string): Promise<Lesson> {
    const lesson = await makeLesson(request, title, ['Look at the table here and see what it says.', 'Then it ends.']);
    const buffer = readFileSync(slides(2)[0] ?? '');
    await request.post(`/api/lessons/${lesson.id}/slides`, {
        multipart: {
            'files[0]': { name: 'tide.png', mimeType: 'image/png', buffer },
            section: lesson.sections[0]?.id ?? '',
        },
    });
    await taken(request, lesson, [], 0);
    await taken(request, lesson, [], 1);
    await page.goto(`/lessons/${lesson.id}/finish`);
    await expect(word(page, 'table')).toBeVisible();
    return readLesson(request, lesson.id);
}

test('music is brought in, played for words, made quieter and taken away', async ({ page, request }) => {
    const lesson = await opened(page, request, 'Music');
    const script = () => textOf(request, lesson.id);
    await word(page, 'Look').hover();
    await page.mouse.down();
    await word(page, 'see').hover();
    await page.mouse.up();
    await topic(page, 'Music').click();
    const pick = page.getByLabel('Music to bring in');
    await pick.setInputFiles({ name: 'Oars.mp3', mimeType: 'audio/mpeg', buffer: Buffer.from('no music at all') });
    await expect(page.getByText('This is no music.')).toBeVisible();
    const file = test.info().outputPath('Oars.wav');
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', 'sine=f=330:d=4', file]);
    await pick.setInputFiles(file);
    await expect(page.getByText('"Oars" is brought in: play it where you like.')).toBeVisible();
    await page.getByRole('button', { name: 'Play it' }).click();
    await expect(page.getByText('Oars for these words.')).toBeVisible();
    expect(await script()).toMatch(/\[music: Oars\]\s+Look at the table here and see \[music: none\] what/);

    await page.getByRole('button', { name: 'music: Oars' }).click();
    await page.getByLabel('Louder by (dB)').fill('-6');
    await page.getByLabel('Fade out (s)').fill('1.5');
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    await expect.poll(script).toContain('[music: Oars, -6 dB, out 1.5 s]');
    await expect(page.getByLabel('Louder by (dB)')).toHaveCount(0);
    await page.getByRole('button', { name: 'music: Oars' }).click();
    await isAccessible(page);
    await page.getByRole('button', { name: 'Take away' }).click();
    await expect.poll(script).not.toContain('[music: Oars');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(script).toContain('[music: Oars, -6 dB, out 1.5 s]');

    // Under the last words it ends with them, and not in the next section.
    await word(page, 'says.').click();
    await topic(page, 'Music').click();
    await page.getByRole('group', { name: 'How long it holds' }).getByText('For these words').click();
    await page.getByRole('combobox', { name: 'Music' }).selectOption('Morning ebb');
    await page.getByRole('button', { name: 'Play it' }).click();
    await expect.poll(script).toMatch(/\[music: Morning ebb\] says\.\s+\[music: none\]\s+## /);
});

test('a label, a moving layout, an inset anywhere and a brighter camera, by keyboard alone', async ({
    page,
    request,
}) => {
    const lesson = await opened(page, request, 'By keyboard');
    const script = () => textOf(request, lesson.id);
    const press = async (name: string) => {
        await page.getByRole('button', { name, exact: true }).focus();
        await page.keyboard.press('Enter');
    };
    await word(page, 'table').focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    for (const name of topics) {
        await press(name);
        await isAccessible(page);
    }

    await press('Text');
    await page.getByLabel('Words of the label').focus();
    await page.keyboard.type('Sill {1.5 m}, "low"');
    await press('Place it...');
    await page.getByRole('button', { name: /^Label Sill/ }).focus();
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('ArrowLeft');
    await press('Show it');
    await expect.poll(script).toContain('[label: Sill {1.5 m}, "low", at 49 40, contrast] here');
    await expect(page.locator('.watch .label img').first()).toBeVisible();

    await press('Picture');
    await page.getByLabel('How the layout changes').focus();
    await page.getByLabel('How the layout changes').selectOption('0.6 s');
    await press('Side by side');
    await expect.poll(script).toContain('[layout: side by side, 0.6 s]');
    await expect(page.getByText(/^Side by side (from|for) /)).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).focus();
    await page.keyboard.press('Enter');
    await expect.poll(script).not.toContain('side by side');
    await word(page, 'here').focus();
    await page.keyboard.press('Enter');
    await press('Anywhere...');
    await page.getByRole('group', { name: 'Inset: move it' }).focus();
    await page.keyboard.press('Shift+ArrowUp');
    await press('Put it there');
    await expect.poll(script).toMatch(/\[layout: at \d+(\.\d)? \d+(\.\d)? \d+(\.\d)?\]/);

    await press('Camera');
    await page.getByLabel('Brightness').focus();
    for (let step = 0; step < 5; step++) {
        await page.keyboard.press('ArrowRight');
    }
    const adjusted = async (): Promise<Take['adjustment']> =>
        (await takesOf(request, lesson.sections[0]?.id))[0]?.adjustment ?? null;
    await expect.poll(async () => (await adjusted())?.brightness ?? 0).toBeGreaterThan(0);
    await press('Match its neighbours');
    await press('As recorded');
    await expect.poll(adjusted).toBeNull();

    // Nearer, and to the right and down, in its own place.
    await press('Frame it on the picture...');
    const framed = async (): Promise<Take['framing']> =>
        (await takesOf(request, lesson.sections[0]?.id))[0]?.framing ?? null;
    await expect(page.getByRole('group', { name: 'Camera: move its picture' })).toBeFocused();
    for (const key of ['+', '+', '+', 'ArrowRight', 'ArrowRight', 'Shift+ArrowDown']) {
        await page.keyboard.press(key);
    }
    await isAccessible(page);
    await press('Frame it so');
    await expect.poll(framed).not.toBeNull();
    const part = await framed();
    expect(part?.width).toBeLessThan(0.9);
    expect((part?.x ?? 0) + (part?.width ?? 0) / 2).toBeCloseTo(0.52, 2);
    expect((part?.y ?? 0) + (part?.height ?? 0) / 2).toBeCloseTo(0.55, 2);
    await expect(page.getByText('is framed.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).focus();
    await page.keyboard.press('Enter');
    await expect.poll(framed).toBeNull();
});
