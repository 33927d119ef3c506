import { expect, test } from '@playwright/test';
import type { LessonSite } from '../../resources/js/api/types';
import { sent, taken } from './film';
import { execFileSync } from 'node:child_process';
import { filmOf, isAccessible, makeLesson, textOf } from './helpers';

test('a film is published, watched on a phone, commented on, mended and answered in its next version', async ({
    page,
    browser,
    request,
}) => {
    // Two films are made in it, and a whole story is told.
    const lesson = await makeLesson(request, 'On the site', [
        'The creek is full at seven. At one it stands at 4.8 metres.',
    ]);
    const take = await taken(request, lesson, [
        { at_ms: 0, kind: 'line', line: 1 },
        { at_ms: 2000, kind: 'line', line: 2 },
    ]);
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    await page.goto(`/lessons/${lesson.id}/handover`);
    await page.getByRole('button', { name: 'Publish', exact: true }).click();
    const link = page.locator('.site-link a');
    await expect(link).toHaveAttribute('href', /^\/watch\/\w{24}$/);
    const path = (await link.getAttribute('href')) ?? '';
    await isAccessible(page);

    // A viewer with a phone.
    const phone = await browser.newContext({ viewport: { width: 390, height: 800 } });
    const viewer = await phone.newPage();
    await viewer.goto(`${path}#t=3`);
    await expect(viewer.getByRole('heading', { name: 'On the site' })).toBeVisible();
    const film = viewer.locator('#film');
    const at = () => film.evaluate((video: HTMLVideoElement) => video.currentTime);
    await expect.poll(at).toBeCloseTo(3, 1);
    await isAccessible(viewer);
    const wide = await viewer.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
    await viewer.getByLabel('Find words in what is said').fill('seven');
    await expect(viewer.locator('.line.is-found')).toHaveText('The creek is full at seven.');
    await viewer.getByRole('button', { name: 'The creek is full at seven.' }).click();
    await expect.poll(at).toBeLessThan(2);
    await film.evaluate((video: HTMLVideoElement) => {
        video.pause();
        video.currentTime = 3.4;
    });
    await expect(viewer.locator('.line[aria-current]')).toHaveText('At one it stands at 4.8 metres.');
    await viewer.getByLabel('Your name').fill('Piran');
    await viewer.getByLabel('Comment', { exact: true }).fill('You say 4.8, the slide says 4.6');

    // What was written stays when the page is opened again or the server is away.
    await viewer.route('**/comments', (route) => route.abort());
    await viewer.getByRole('button', { name: 'Send comment' }).click();
    await expect(viewer.getByText('What you wrote is still here; try again in a moment.')).toBeVisible();
    await viewer.unroute('**/comments');
    await viewer.reload();
    await expect(viewer.getByLabel('Comment', { exact: true })).toHaveValue('You say 4.8, the slide says 4.6');
    await viewer.getByRole('button', { name: 'Send comment' }).click();
    await expect(viewer.locator('#comments')).toContainText('You say 4.8, the slide says 4.6');

    // It lands beside its line, on the Script page and in Review, also when the text before it is another.
    const text = await textOf(request, lesson.id);
    const revised = text.replace('The creek is full at seven.', 'Listen. The creek is brimful at seven.');
    const { revision } = (await (await request.get(`/api/lessons/${lesson.id}/script`)).json()) as { revision: number };
    await request.put(`/api/lessons/${lesson.id}/script`, { data: { text: revised, revision } });
    await page.goto(`/lessons/${lesson.id}/script`);
    await page.getByRole('link', { name: 'Comment: Piran: You say 4.8, the slide says 4.6' }).click();
    const card = page.getByRole('article', { name: 'Comment of Piran' });
    await expect(card).toBeVisible();
    await isAccessible(page);
    const again = card.getByRole('link', { name: 'Record this line again' });
    await expect(again).toHaveAttribute('href', /\/record\/.*\?lines=/);

    // Put right: said again, answered, done, and published as the next version.
    const file = test.info().outputPath('pickup.webm');
    execFileSync('ffmpeg', [
        ...[
            '-v',
            'error',
            '-y',
            '-f',
            'lavfi',
            '-i',
            'testsrc2=s=320x240:r=25:d=4',
            '-f',
            'lavfi',
            '-i',
            'sine=f=330:d=4',
        ],
        ...['-c:v', 'libvpx', '-b:v', '300k', '-c:a', 'libopus', file],
    ]);
    const other = await sent(request, lesson, file);
    expect(other.id).not.toBe(take.id);
    await request.patch(`/api/takes/${other.id}`, { data: { verdict: 'kept', used_from_ms: 0, used_until_ms: 4000 } });
    await card.getByRole('button', { name: 'Answer' }).click();
    await page.getByLabel('Answer to Piran').fill('You are right.');
    await page.getByRole('button', { name: 'Send answer' }).click();
    await expect(card).toContainText('You are right.');
    await card.getByRole('button', { name: 'Done' }).click();
    await expect(card).toHaveCount(0);
    await filmOf(request, lesson.id, test.info().outputPath('film2.mp4'));
    await page.goto(`/lessons/${lesson.id}/handover`);
    const note = page.getByLabel('What is new in this version');
    await page.getByRole('button', { name: 'Say what changed' }).click();
    await expect(note).toHaveValue(/^Changed: /);
    await note.fill('The height is right now.');
    await page.getByRole('button', { name: 'Publish as version 2' }).click();
    await expect(page.getByText('Version 2, published')).toBeVisible();
    await page.getByText('The version before').click();
    await expect(page.getByRole('link', { name: 'Version 1', exact: true })).toBeVisible();

    await viewer.goto(path);
    await expect(viewer.getByText('New in version 2: The height is right now.')).toBeVisible();
    await expect(viewer.locator('#comments')).toContainText('Put right in version 2.');
    await expect(viewer.locator('#comments')).toContainText('You are right.');
    const site = (await (await request.get(`/api/lessons/${lesson.id}/publication`)).json()) as LessonSite;
    expect(site.site?.versions.map(({ number }) => number)).toEqual([2, 1]);

    // How far it was watched is told by chapter.
    await viewer.locator('.line').first().click();
    await expect.poll(at).toBeGreaterThan(1.5);
    await film.evaluate((video: HTMLVideoElement) => video.pause());
    await expect
        .poll(async () => {
            const told = (await (await request.get(`/api/lessons/${lesson.id}/publication`)).json()) as LessonSite;
            return told.site?.watched;
        })
        .toEqual([{ title: 'Part 1', seen: 1 }]);
    await page.reload();
    await expect(page.locator('.watched')).toContainText('100 %');

    // Nobody sees it any more when it is withdrawn.
    await page.getByRole('button', { name: 'Withdraw' }).click();
    await expect(page.getByText('Withdrawn: nobody can open it.')).toBeVisible();
    await viewer.reload();
    await expect(viewer.getByRole('heading', { name: 'This film is not here' })).toBeVisible();
    await isAccessible(viewer);
    await phone.close();
});

test('a film with a password is shown to whoever knows it', async ({ page, browser, request }) => {
    const lesson = await makeLesson(request, 'Behind a password', ['The creek is full at seven.']);
    await taken(request, lesson, []);
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    await page.goto(`/lessons/${lesson.id}/handover`);
    await page.getByRole('button', { name: 'Publish', exact: true }).click();
    await page.getByLabel('Password (none now)').fill('low water');
    await page.getByRole('button', { name: 'Set' }).click();
    await expect(page.getByText('The password is set.')).toBeVisible();
    const path = (await page.locator('.site-link a').getAttribute('href')) ?? '';

    const other = await browser.newContext();
    const viewer = await other.newPage();
    await viewer.goto(path);
    await isAccessible(viewer);
    await viewer.getByLabel('Password').fill('high water');
    await viewer.keyboard.press('Enter');
    await expect(viewer.getByText('That is not the password.')).toBeVisible();
    await viewer.getByLabel('Password').fill('low water');
    await viewer.keyboard.press('Enter');
    await expect(viewer.getByRole('button', { name: 'The creek is full at seven.' })).toBeVisible();
    await expect
        .poll(() => viewer.locator('#film').evaluate((video: HTMLVideoElement) => video.readyState))
        .toBeGreaterThan(0);
    await other.close();
});
