import { expect, test } from '@playwright/test';
import type { SiteDelivery } from '../../resources/js/api/types';
import { taken } from './film';
import { WORK_MS, filmOf, isAccessible, makeLesson } from './helpers';

test('a film is sent into the folder of a site that is not ours, and its next version behind the same page', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Locks & weirs', ['The gate opens at level water.']);
    await taken(request, lesson, []);
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    await page.goto(`/lessons/${lesson.id}/handover`);
    const folder = page.getByRole('region', { name: "The rowing school's own site" });
    await folder.getByRole('button', { name: 'Send the film there' }).focus();
    await page.keyboard.press('Enter');
    await expect(folder.getByText(/Version 1 was sent today/)).toBeVisible();
    await expect(folder.getByText('locks-weirs')).toBeVisible();
    await expect(folder.getByRole('button')).toHaveCount(0);
    await isAccessible(page);

    // While the server is away nothing is said to be sent; after it, what was there is there.
    await request.post(`/api/lessons/${lesson.id}/exports`, { data: { quality: 'small' } });
    await page.reload();
    const next = folder.getByRole('button', { name: 'Send as version 2' });
    await expect(next).toBeVisible({ timeout: WORK_MS });
    await page.route('**/delivery', (route) => route.abort());
    await next.click();
    await expect(page.getByText('The server cannot be reached')).not.toHaveCount(0);
    await expect(folder.getByText(/Version 1 was sent/)).toBeVisible();
    await page.unroute('**/delivery');
    await next.click();
    await expect(folder.getByText(/Version 2 was sent today/)).toBeVisible();
    const { there } = (await (await request.get(`/api/lessons/${lesson.id}/delivery`)).json()) as SiteDelivery;
    expect(there).toMatchObject({ number: 2, path: 'locks-weirs' });
});
