import { expect, test } from '@playwright/test';
import { isAccessible, listened, makeLesson, readLesson, takesOf } from './helpers';

const FIRST = `Not every day is the same. Twice a month, around new moon and full moon, the sun and the moon pull together.
High water is higher and low water is lower. We call these spring tides.`;
const SECOND = `A week later they pull across each other. The range is small, and we call these neaps.

In our creek a spring range is about four and a half metres, and a neap range only two. For a first outing, choose a neap.`;

test('one recording of the whole lesson is brought in and used in every section that it speaks', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Recorded elsewhere', [FIRST, SECOND]);
    const [one, two] = lesson.sections;
    await page.goto(`/lessons/${lesson.id}/review/${one?.id}`);
    await page.getByRole('button', { name: 'Bring in a recording' }).click();
    const dialog = page.getByRole('dialog', { name: 'Bring in a recording' });
    await dialog.getByLabel('A film or sound file').setInputFiles('demo/lesson/takes/05-2.webm');
    await dialog.getByLabel(/The whole lesson/).check();
    await isAccessible(page);
    await dialog.getByRole('button', { name: 'Bring it in' }).click();
    await expect(dialog).toHaveCount(0);
    const take = await listened(request, one?.id ?? '');
    expect(take.alignment).toBe('sure');
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();

    const now = await readLesson(request, lesson.id);
    expect(now.sections.map((section) => section.coverage.missing.length)).toEqual([0, 0]);
    expect(now.sections.map((section) => section.coverage.takes)).toEqual([[take.id], [take.id]]);
    await page.goto(`/lessons/${lesson.id}/finish/${two?.id}`);
    await expect(page.getByText('Spoken in the take of another section')).toBeVisible();
});

test('a take of another lesson is copied, and heard against the words here', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Copied to', [FIRST]);
    const section = lesson.sections[0]?.id ?? '';
    await page.goto(`/lessons/${lesson.id}/review/${section}`);
    await page.getByRole('button', { name: 'Bring in a recording' }).click();
    const dialog = page.getByRole('dialog', { name: 'Bring in a recording' });
    await dialog.getByLabel('A take of another section or lesson').check();
    await expect(dialog.getByText('There is no take in it')).toBeAttached();
    await dialog.getByLabel('Lesson', { exact: true }).selectOption({ label: 'How to read a tide table' });
    await dialog.getByLabel('Section', { exact: true }).selectOption({ label: 'Springs and neaps' });
    await dialog.getByLabel('Take', { exact: true }).selectOption({ label: 'Take 2 (0:29)' });
    await isAccessible(page);
    await dialog.getByRole('button', { name: 'Bring it in' }).click();
    await expect(dialog).toHaveCount(0);
    await expect(page.getByText(/used of/)).toBeVisible();
    const take = await listened(request, section);
    expect(take.lines.filter(({ heard }) => heard === 'missing' || heard === null)).toEqual([]);
    // What is not written here is no part of it.
    expect(take.used_until_ms).toBeLessThan(16_000);
    expect(await takesOf(request, section)).toHaveLength(1);
});
