import { expect, type Page, test } from '@playwright/test';
import type { Assembly, Lesson } from '../../resources/js/api/types';
import { taken } from './film';
import { demoLesson, isAccessible, makeLesson } from './helpers';

const rowsOf = (page: Page, lesson: Lesson, section: number) =>
    page.locator(`#board-${lesson.sections[section]?.id} .board-row`);
const word = (page: Page, lesson: Lesson, section: number, text: string) =>
    page.locator(`#board-${lesson.sections[section]?.id} .word`, { hasText: text }).first();
const stage = (page: Page) => page.getByRole('group', { name: 'The lesson as it will be exported' });
const frame = async (page: Page) => Number(await stage(page).getAttribute('data-frame'));

test('what is seen is chosen by words, with the mouse and with the keyboard', async ({ page, request }) => {
    const lesson = await demoLesson(request);
    const assembly = async () => (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    const script = async () =>
        ((await (await request.get(`/api/lessons/${lesson.id}/script`)).json()) as { text: string }).text;
    const before = await script();
    await page.goto(`/lessons/${lesson.id}/finish/${lesson.sections[4]?.id}`);
    const rows = rowsOf(page, lesson, 4);
    await expect(rows.first()).toBeVisible();
    const count = await rows.count();

    // A click on a word shows its frame; where the pointer rests before, what is seen stays.
    await expect.poll(() => frame(page)).toBeGreaterThan(0);
    const seen = await frame(page);
    await word(page, lesson, 3, 'when').hover();
    await page.waitForTimeout(300);
    expect(await frame(page)).toBe(seen);
    await word(page, lesson, 4, 'moon').click();
    const segment = (await assembly()).segments.find((one) => one.section_id === lesson.sections[4]?.id);
    const line = lesson.sections[4]?.lines[1];
    const at = line?.text.split(' ').findIndex((one) => one.startsWith('moon')) ?? -1;
    const said = (segment?.start_frame ?? 0) + (segment?.words.find((one) => one.line === line?.id)?.frames[at] ?? -1);
    await expect.poll(() => frame(page)).toBe(said);

    // Drawn over, they show the presenter alone; before and behind it is as it was.
    await word(page, lesson, 4, 'Twice').hover();
    await page.mouse.down();
    await word(page, lesson, 4, 'month,').hover();
    await page.mouse.up();
    await page.getByRole('group', { name: 'Layout' }).getByRole('button', { name: 'Camera alone' }).click();
    await expect(rows).toHaveCount(count + 2);
    await expect(rows.nth(1).getByRole('button', { name: /Show Camera alone/ })).toBeVisible();
    await expect(rows.nth(1)).toContainText('Twice a month,');
    expect(await script()).toContain('[layout: camera alone] Twice a month, [layout: slide with inset] around');
    const shots = (await assembly()).segments.find((one) => one.section_id === lesson.sections[4]?.id)?.shots ?? [];
    expect(shots.slice(0, 3).map(({ picture }) => picture.layers.some(({ shows }) => shows === 'slide'))).toEqual([
        true,
        false,
        true,
    ]);

    // A cue is changed, and taken away.
    await rows.nth(1).getByRole('button', { name: 'camera alone', exact: true }).click();
    await page.getByLabel('The cue as it is written').fill('[layout: upside down]');
    await page.getByRole('button', { name: 'Change' }).click();
    await expect(page.getByText('is no layout')).toBeVisible();
    expect(await script()).toContain('[layout: camera alone] Twice');
    await rows.nth(1).getByRole('button', { name: 'camera alone', exact: true }).click();
    await page.getByRole('button', { name: 'Take away' }).click();
    await expect(rows).toHaveCount(count);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(rows).toHaveCount(count + 2);

    // The same by keyboard alone: to the word, over two, to the layout, and back.
    await word(page, lesson, 4, 'Not').focus();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.locator('.what-is-seen q')).toHaveText('Not every day');
    await page.getByRole('button', { name: 'Side by side', exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Side by side for these words.')).toBeVisible();
    expect(await script()).toMatch(/\[layout: side by side\]\s+Not every day \[layout: slide with inset\] is/);
    await isAccessible(page);

    const revision = ((await (await request.get(`/api/lessons/${lesson.id}`)).json()) as Lesson).revision;
    await request.put(`/api/lessons/${lesson.id}/script`, { data: { text: before, revision } });
});

test('two windows choose for the same words: the later one is told, and nothing is lost', async ({ page, request }) => {
    const lesson = await demoLesson(request);
    await page.goto(`/lessons/${lesson.id}/finish`);
    await word(page, lesson, 2, 'Find').click();
    // Somebody else writes before this window has heard of it.
    await page.route('**/script', async (route) => {
        const answer = await route.fetch();
        const now = (await answer.json()) as { text: string; revision: number };
        await request.put(`/api/lessons/${lesson.id}/script`, {
            data: { text: `${now.text}\n`, revision: now.revision },
        });
        await route.fulfill({ response: answer, json: now });
    });
    await page.getByRole('group', { name: 'Layout' }).getByRole('button', { name: 'Slide alone' }).click();
    await expect(page.getByText('The script was changed meanwhile')).toBeVisible();
    await page.unroute('**/script');
    await page.getByRole('group', { name: 'Layout' }).getByRole('button', { name: 'Slide alone' }).click();
    await expect(page.getByText('Slide alone from here on.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
});

test('lines that were recorded in other words are marked where they stand, with the way to mend them', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Reworded', ['The creek fills from the east. Wait for it.']);
    await taken(request, lesson, []);
    const { text, revision } = (await (await request.get(`/api/lessons/${lesson.id}/script`)).json()) as {
        text: string;
        revision: number;
    };
    await request.put(`/api/lessons/${lesson.id}/script`, {
        data: { text: text.replace('from the east', 'from the west'), revision },
    });
    await page.goto(`/lessons/${lesson.id}/finish`);
    await expect(word(page, lesson, 0, 'creek')).toHaveAttribute('title', 'Recorded: The creek fills from the east.');
    await expect(word(page, lesson, 0, 'Wait')).not.toHaveAttribute('title', /./);
    await isAccessible(page);
    // It stands in its row also where there is less room.
    await page.setViewportSize({ width: 1024, height: 768 });
    const heading = page.locator('.board-section h2').first();
    expect(await heading.evaluate((one) => one.scrollWidth - one.clientWidth)).toBeLessThanOrEqual(0);
    await page.getByRole('link', { name: '1 line reworded: record it' }).click();
    await expect(page).toHaveURL(
        new RegExp(`record/${lesson.sections[0]?.id}\\?lines=${lesson.sections[0]?.lines[0]?.id}`),
    );
});
