import { expect, test } from '@playwright/test';
import { isAccessible, makeLesson } from './helpers';

test('words are found in all lessons and open at their line, by keyboard alone', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Eddies', [
        'Stand on the pier and look.',
        'First the water. Then a whirligig behind the third pile. Then home.',
    ]);
    await page.goto('/');
    await page.getByLabel('Find words in all lessons').focus();
    await page.keyboard.type('whirlig pile');
    const result = page.getByRole('region', { name: 'Found' }).getByRole('link');
    // While one types, what fewer letters found is seen.
    await expect(result).toHaveCount(1);
    await expect(result).toHaveText('Then a whirligig behind the third pile.');
    await expect(page.getByText('Script · Eddies · Part 2')).toBeVisible();
    await isAccessible(page);
    await result.focus();
    await page.keyboard.press('Enter');

    // The line is chosen on the page: what is typed now is written in its place, and taken back.
    await expect(page).toHaveURL(new RegExp(`${lesson.id}/script/${lesson.sections[1]?.id}\\?line=`));
    await expect
        .poll(() => page.evaluate(() => getSelection()?.toString()))
        .toContain('whirligig behind the third pile');
    await page.goBack();
    await expect(result).toHaveCount(1);
    await expect(result).toHaveText('Then a whirligig behind the third pile.');
    await page.getByLabel('Find words in all lessons').focus();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: 'Eddies', exact: true })).toBeVisible();
    await page.keyboard.type('zzzz');
    await expect(page.getByText('Nothing found.')).toBeVisible();
    await request.delete(`/api/lessons/${lesson.id}`);
});
