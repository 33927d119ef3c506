import { expect, type Page, type Request, test } from '@playwright/test';
import { demoLesson, makeLesson, openScript, saved, textOf, typeAtEnd, words } from './helpers';

/** The server does not answer, however the browser thinks of its network. */
const cut = (page: Page) => page.route('**/api/**', (route) => route.abort('connectionrefused'));
const mend = (page: Page) => page.unroute('**/api/**');
const keptHere = (page: Page) => expect(page.getByText(/Your words are kept in this browser/)).toBeVisible();
const toRoom = (page: Page, name: string) =>
    page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name, exact: true }).click();

for (const [how, away, back] of [
    ['the server is away', cut, mend],
    [
        'the network is away',
        (page: Page) => page.context().setOffline(true),
        (page: Page) => page.context().setOffline(false),
    ],
] as const) {
    test(`words typed while ${how} live through other rooms and reach the server`, async ({ page, request }) => {
        const lesson = await makeLesson(request, 'Away', ['Words.']);
        await openScript(page, lesson);
        await typeAtEnd(page, ' Typed and saved.');
        await saved(page);
        await expect.poll(() => textOf(request, lesson.id)).toContain('Typed and saved.');
        // Let the other rooms be read ahead.
        await page.waitForLoadState('networkidle');
        await page.waitForTimeout(1500);

        await away(page);
        await typeAtEnd(page, ' Typed in a tunnel.');
        await keptHere(page);
        await toRoom(page, 'Review');
        await expect(page.getByText('This section has not been recorded yet.')).toBeVisible();
        await expect(page.getByText(/The server cannot be reached. You see the lesson as it was/)).toBeVisible();
        await toRoom(page, 'Script');
        await expect(words(page)).toContainText('Typed and saved. Typed in a tunnel.');
        await typeAtEnd(page, ' And further on.');
        await toRoom(page, 'Hand over');
        await page.waitForTimeout(5000);
        await back(page);

        await expect
            .poll(() => textOf(request, lesson.id))
            .toMatch(/Words\.\s+Typed and saved. Typed in a tunnel. And further on./);
        await expect(page.getByText(/The server cannot be reached. You see/)).toBeHidden();
        await toRoom(page, 'Script');
        await saved(page);
        await expect(words(page)).toContainText('And further on.');
    });
}

test('every room opens while the server is away, with what is known', async ({ page, request }) => {
    const lesson = await demoLesson(request);
    await openScript(page, lesson);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(1500);
    await cut(page);
    await toRoom(page, 'Finish');
    await expect(page.getByRole('heading', { name: 'Finish' })).toBeVisible();
    await expect(page.getByText(/of \d+ sections kept/)).toBeVisible();
    await toRoom(page, 'Hand over');
    await expect(page.getByText('with a chapter for each section')).toBeVisible();
    await toRoom(page, 'Review');
    await expect(page.getByRole('heading', { name: /^Take/ })).toBeVisible();
    await toRoom(page, 'Record');
    await expect(page.getByRole('heading', { name: /^Record section/ })).toBeAttached();
    await toRoom(page, 'Script');
    await expect(words(page)).toContainText('Reading the Water');
});

test('a room that cannot be read says so, and opens when the server is back', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Closed', ['Words.']);
    await page.route('**/script', (route) =>
        route.request().resourceType() === 'fetch' ? route.abort('connectionrefused') : route.continue(),
    );
    await page.goto(`/lessons/${lesson.id}/script`);
    await expect(page.getByText('Nothing is lost; check that Open Reel is running.')).toBeVisible();
    await page.unroute('**/script');
    await expect(words(page)).toContainText('Words.');
});

test('words of a closed tab come back, and those of a window still open stay there', async ({
    page,
    request,
    context,
}) => {
    const lesson = await makeLesson(request, 'Tabs', ['Words.']);
    await openScript(page, lesson);
    const closed = await context.newPage();
    await openScript(closed, lesson);
    await cut(closed);
    await typeAtEnd(closed, ' Typed in a tunnel.');
    await keptHere(closed);
    await closed.waitForTimeout(1000);
    // While that window lives, another one does not take its words.
    await page.reload();
    await saved(page);
    await expect(words(page)).not.toContainText('tunnel');
    await closed.close({ runBeforeUnload: false });

    const again = await context.newPage();
    await openScript(again, lesson);
    await expect(words(again)).toContainText('Typed in a tunnel.');
    await expect.poll(() => textOf(request, lesson.id)).toContain('Typed in a tunnel.');
});

test('words that are on their way when the tab is closed come back', async ({ page, request, context }) => {
    const lesson = await makeLesson(request, 'On the way', ['Words.']);
    const closed = await context.newPage();
    await openScript(closed, lesson);
    const isSave = (one: Request) => one.method() === 'PUT' && one.url().endsWith('/script');
    // The server never hears of them.
    await closed.route('**/script', (route) => (isSave(route.request()) ? undefined : route.continue()));
    const begun = closed.waitForRequest(isSave);
    await typeAtEnd(closed, ' Typed in haste.');
    await begun;
    await closed.close();

    await openScript(page, lesson);
    await expect(words(page)).toContainText('Typed in haste.');
    await expect.poll(() => textOf(request, lesson.id)).toContain('Typed in haste.');
});

test('a reload while the server is away loses no word', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Reloaded', ['Words.']);
    await openScript(page, lesson);
    await cut(page);
    await typeAtEnd(page, ' Before the reload.');
    await keptHere(page);
    page.on('dialog', (dialog) => void dialog.accept());
    await mend(page);
    await page.route('**/script', (route) =>
        route.request().method() === 'PUT' ? route.abort('connectionrefused') : route.continue(),
    );
    await page.reload();
    await expect(words(page)).toContainText('Before the reload.');
    await page.unroute('**/script');
    await expect.poll(() => textOf(request, lesson.id)).toContain('Before the reload.');
});
