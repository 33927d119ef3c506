import { expect, type Page, test } from '@playwright/test';
import { demoLesson, finish, isAccessible, openRecord, roll } from './helpers';

async function isSound(page: Page): Promise<void> {
    await isAccessible(page);
    // Nothing sticks out to the side, and no word on a control is cut off.
    const cut = await page.evaluate(() => {
        const out: string[] = [];
        document
            .querySelectorAll<HTMLElement>('button, a, select, input:not([type=file]):not(.visually-hidden), h1, h2')
            .forEach((element) => {
                const box = element.getBoundingClientRect();
                const hidden =
                    box.width === 0 || element.closest('.visually-hidden, .visually-hidden-focusable') !== null;
                if (
                    !hidden &&
                    (box.left < -1 ||
                        box.right > window.innerWidth + 1 ||
                        element.scrollWidth > element.clientWidth + 2)
                ) {
                    out.push(`${element.tagName} ${element.getAttribute('aria-label') ?? element.textContent}`);
                }
            });
        return out.filter((one) => !one.startsWith('INPUT') && !/^A Section/.test(one));
    });
    expect(cut).toEqual([]);
}

async function doesNotScroll(page: Page): Promise<void> {
    const over = await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight);
    expect(over).toBeLessThanOrEqual(0);
    const below = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('.record-controls button, .decide button')]
            .filter((b) => b.getBoundingClientRect().bottom > window.innerHeight)
            .map((b) => b.textContent),
    );
    expect(below).toEqual([]);
}

for (const size of [
    { width: 1280, height: 800 },
    { width: 1024, height: 768 },
]) {
    test.describe(`at ${size.width} x ${size.height}`, () => {
        test.use({ viewport: size, contextOptions: { reducedMotion: 'reduce' } });

        test('what stands round the lessons is sound', async ({ page, request }) => {
            const lesson = await demoLesson(request);
            await page.goto('/');
            await expect(page.getByRole('link', { name: lesson.title })).toBeVisible();
            await isSound(page);
            await page.getByRole('button', { name: 'New lesson' }).click();
            await expect(page.getByRole('dialog')).toBeVisible();
            await isSound(page);
            await page.keyboard.press('Escape');
            await page.getByRole('link', { name: 'What takes up room' }).click();
            await expect(page.getByRole('heading', { name: 'What can go' })).toBeVisible();
            await isSound(page);
            await page.goto(`/courses/${lesson.course?.id}`);
            await expect(page.getByRole('heading', { name: /^House style of/ })).toBeVisible();
            await isSound(page);
            await page.getByRole('navigation', { name: 'Course' }).getByRole('link', { name: 'History' }).click();
            await expect(page.getByRole('heading', { name: 'History', level: 2 })).toBeVisible();
            await isSound(page);
        });

        test('the rooms of a lesson are sound', async ({ page, request }) => {
            const lesson = await demoLesson(request);
            await page.goto(`/lessons/${lesson.id}/handover`);
            await page.getByRole('button', { name: 'Size, format and quality' }).click();
            await expect(page.getByText('about').first()).toBeVisible();
            await isSound(page);
            for (const [room, sign] of [
                ['script', 'All saved'],
                ['review', 'used of'],
                ['finish', 'Now:'],
                ['handover', 'with a chapter for each section'],
            ] as const) {
                await page.goto(`/lessons/${lesson.id}/${room}/${lesson.sections[1]?.id}`);
                await expect(page.getByText(sign).first()).toBeVisible();
                await isSound(page);
                if (room === 'review') {
                    await doesNotScroll(page);
                }
            }
        });

        test('the recording room is sound', async ({ page, request }) => {
            const lesson = await demoLesson(request);
            await openRecord(page, lesson, 7);
            await isSound(page);
            await doesNotScroll(page);
            await page.keyboard.press('?');
            await expect(page.getByRole('dialog', { name: 'Keys on this screen' })).toBeVisible();
            await isSound(page);
            await page.keyboard.press('Escape');
            await expect(page.getByRole('dialog')).toBeHidden();
            await page.keyboard.press('r');
            await expect(page.getByText('Counting down')).toBeVisible();
            await isSound(page);
            // Looking at everything may take longer than the count-down.
            await page.keyboard.press('Escape');
            await expect(page.getByText(/^(Ready|Recording)$/)).toBeVisible();
            if (await page.getByText('Recording', { exact: true }).isVisible()) {
                await finish(page);
            }
        });
    });
}

test('the rolling screen is sound, and a broken-off take leaves no trace', async ({ page, request }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const lesson = await demoLesson(request);
    const before = lesson.sections[5]?.take_count;
    await openRecord(page, lesson, 5);
    await page.keyboard.press('r');
    await page.keyboard.press('Escape');
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await expect.poll(async () => (await demoLesson(request)).sections[5]?.take_count).toBe(before);
    await roll(page);
    await isSound(page);
    await doesNotScroll(page);
});

test('an empty shelf and empty rooms teach the next step', async ({ page, request }) => {
    // A button that fades from one state to the next has no colour of its own while it does.
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.route('**/api/lessons', (route) => route.fulfill({ json: [] }));
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Create your first lesson' })).toBeVisible();
    await isSound(page);
    await page.unroute('**/api/lessons');
    const empty = (await (
        await request.post('/api/lessons', { data: { title: 'Empty', width: 1280, height: 720, fps: 25 } })
    ).json()) as { id: string };
    for (const [room, says] of [
        ['review', 'This section has not been recorded yet.'],
        ['finish', 'Nothing is kept yet, so there is nothing to watch.'],
        ['handover', 'Nothing is kept yet, so there is nothing to hand over.'],
        ['record', 'Nothing is written in this section.'],
    ] as const) {
        await page.goto(`/lessons/${empty.id}/${room}`);
        await expect(page.getByText(says)).toBeVisible();
        await isSound(page);
    }
});
