import { expect, test } from '@playwright/test';
import {
    WORK_MS,
    filmOf,
    isAccessible,
    makeLesson,
    openRecord,
    probe,
    readLesson,
    roll,
    finish,
    silences,
} from './helpers';
import type { Export } from '../../resources/js/api/types';

test('a lesson is watched and exported on day one, read by a stand-in voice, and says that it is a draft', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Day one', [
        'Nobody has recorded this yet. It can be watched all the same.',
        'This section has words of its own.',
    ]);
    await page.goto(`/lessons/${lesson.id}/finish`);
    await expect(page.getByText('Nothing is kept yet, so there is nothing to watch.')).toBeVisible();
    await page.getByLabel('Have a stand-in voice read the 3 lines not recorded yet').check();
    const picture = page.getByRole('group', { name: 'The lesson as it will be exported' });
    await expect(picture.locator('.draft-mark, img[src*="/api/cards/"]').first()).toBeVisible({ timeout: WORK_MS });
    await isAccessible(page);
    await page.getByRole('button', { name: 'Watch', exact: true }).click();
    const frame = async () => Number(await picture.getAttribute('data-frame'));
    await expect.poll(frame).toBeGreaterThan(15);
    await page.keyboard.press('p');

    await page.goto(`/lessons/${lesson.id}/handover`);
    await page.getByRole('button', { name: 'Export a draft' }).click();
    await expect(page.getByRole('heading', { name: 'Day one (draft).mp4' })).toBeVisible({ timeout: WORK_MS });
    const [made] = (await (await request.get(`/api/lessons/${lesson.id}/exports`)).json()) as Export[];
    expect(made).toMatchObject({ draft: true, state: 'done', up_to_date: true });
    const draft = probe(await filmAt(request, made?.file_url ?? ''));
    expect(draft.chapters).toEqual(['Part 1', 'Part 2']);
    expect(draft.seconds).toBeGreaterThan(5);

    // A take takes the place of the voice, and the draft has only the rest of it.
    await openRecord(page, lesson);
    await roll(page);
    await page.waitForTimeout(3000);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    await expect
        .poll(async () => (await readLesson(request, lesson.id)).sections[0]?.coverage.heard, { timeout: WORK_MS })
        .toBe(true);
    await page.goto(`/lessons/${lesson.id}/handover`);
    await expect(page.getByText('The lesson has changed since.')).toBeVisible();
    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    expect(probe(film).chapters).toEqual(['Part 1']);
    expect(silences(film).length).toBeLessThan(5);
});

async function filmAt(request: Parameters<typeof filmOf>[0], url: string): Promise<string> {
    const { writeFileSync } = await import('node:fs');
    const file = test.info().outputPath('draft.mp4');
    writeFileSync(file, await (await request.get(url)).body());
    return file;
}
