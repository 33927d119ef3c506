import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { taken } from './film';
import { WORK_MS, isAccessible, makeLesson, readLesson, takesOf } from './helpers';

test('a lesson goes out as an archive and comes in again; what is set aside is cleared and comes back', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Going out', ['The creek is full at seven.']);
    await taken(request, lesson, []);
    await page.goto('/');
    await page.getByRole('button', { name: 'More about Going out' }).click();
    const download = page.waitForEvent('download');
    await page.getByText('Download as an archive').click();
    const file = await (await download).path();
    expect((await download).suggestedFilename()).toBe('Going out (archive).zip');

    // The server is away in the middle of it: it goes on by itself.
    let tries = 0;
    await page.route('**/chunks/0', (route) => (tries++ === 0 ? route.abort() : route.continue()));
    const archive = { name: 'going-out.zip', mimeType: 'application/zip', buffer: readFileSync(file) };
    await page.getByLabel('Archive of a lesson or a course').setInputFiles(archive);
    await expect(page.getByText('Its film is the same here, to the frame.')).toBeVisible({ timeout: WORK_MS });
    await isAccessible(page);
    await page.getByRole('alert').getByRole('link', { name: 'Going out' }).click();
    await expect(page).not.toHaveURL(new RegExp(lesson.id));
    const brought = await readLesson(request, /lessons\/(\w+)/.exec(page.url())?.[1] ?? '');
    expect(brought.sections.map((one) => one.takes.map((take) => take.verdict))).toEqual(
        (await readLesson(request, lesson.id)).sections.map((one) => one.takes.map((take) => take.verdict)),
    );

    const take = brought.sections[0]?.takes[0];
    await request.patch(`/api/takes/${take?.id}`, { data: { verdict: 'discarded' } });
    await request.delete(`/api/lessons/${lesson.id}`);
    await page.goto('/');
    await page.getByRole('link', { name: 'What takes up room' }).click();
    await expect(page.getByRole('heading', { name: 'What can go' })).toBeVisible();
    await isAccessible(page);
    await page.getByRole('button', { name: 'Clear the takes set aside in Going out' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('One take cleared from Going out')).toBeVisible();
    expect(await takesOf(request, brought.sections[0]?.id)).toEqual([]);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('One take set aside in Going out')).toBeVisible();
    expect((await takesOf(request, brought.sections[0]?.id))[0]?.id).toBe(take?.id);

    // A lesson off the shelf goes for good only after one is asked.
    await page.getByRole('button', { name: 'Delete Going out for good' }).click();
    await page.getByRole('button', { name: 'Keep it all' }).click();
    await expect(page.getByText('Going out is off the shelf')).toBeVisible();
    await page.getByRole('button', { name: 'Delete Going out for good' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Delete for good' }).click();
    await expect(page.getByText('Going out is off the shelf')).toHaveCount(0);
    expect((await request.post(`/api/lessons/${lesson.id}/restore`)).status()).toBe(404);
    await request.delete(`/api/lessons/${brought.id}`);
});

test('what is no archive is refused in a sentence', async ({ page }) => {
    await page.goto('/');
    const file = { name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from('So leave a margin.') };
    await page.getByLabel('Archive of a lesson or a course').setInputFiles(file);
    await expect(page.getByText('This is no archive of a lesson or a course')).toBeVisible({ timeout: 20_000 });
    await page.getByLabel('Archive of a lesson or a course').setInputFiles({ ...file, buffer: Buffer.alloc(0) });
    await expect(page.getByText('This file is empty.')).toBeVisible();
});
