import AxeBuilder from '@axe-core/playwright';
import { type APIRequestContext, expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import type { Lesson } from '../../resources/js/api/types';
import {
    WORK_MS,
    choose,
    demoLesson,
    finish,
    makeLesson,
    openRecord,
    openScript,
    readLesson,
    roll,
    saved,
    slides,
    textOf,
    words,
} from './helpers';

const folder = `${tmpdir()}/reel-script-spec`;
mkdirSync(folder, { recursive: true });

const headings = async (request: APIRequestContext, id: string) =>
    (await readLesson(request, id)).sections.map((section) => section.heading);

/** A PDF with the words given on its pages, drawn by librsvg. */
function deck(name: string, pages: string[]): string {
    const files = pages.map((says, index) => {
        const file = `${folder}/${name}-${index}.svg`;
        writeFileSync(
            file,
            `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="360">` +
                `<rect width="640" height="360" fill="hsl(${index * 37} 60% 85%)"/>` +
                `<text x="40" y="80" font-size="30" font-family="sans-serif">${says}</text></svg>`,
        );
        return file;
    });
    execFileSync('rsvg-convert', ['-f', 'pdf', '-o', `${folder}/${name}.pdf`, ...files]);
    return `${folder}/${name}.pdf`;
}

async function pasteHtml(page: Page, html: string): Promise<void> {
    await words(page).evaluate((element, content) => {
        const data = new DataTransfer();
        data.setData('text/html', content);
        data.setData('text/plain', content.replace(/<[^>]+>/g, ' '));
        element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, html);
}

const topics = ['tide', 'current', 'moon', 'chart', 'sill', 'anchor', 'oar', 'mooring', 'weather', 'wind'];

test('a long script is pasted from a word processor, edited, undone and found', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Pasted', ['']);
    await openScript(page, lesson);
    // 2,000 words in ten sections.
    const html = topics
        .map(
            (topic) =>
                `<h2>About the ${topic}</h2>` +
                (
                    `<p style="color:red">The <b>${topic}</b> rises slowly at first, and then it rises fast. ` +
                    'Nobody on the shore can hold it back today.</p>'
                ).repeat(10),
        )
        .join('<p>&nbsp;</p>');
    await words(page).click();
    await page.keyboard.press('Control+a');
    await pasteHtml(page, `<html><body><style>p{}</style>${html}<script>alert(1)</script></body></html>`);
    await saved(page);
    expect(await headings(request, lesson.id)).toEqual(topics.map((topic) => `About the ${topic}`));
    const text = await textOf(request, lesson.id);
    expect(text.match(/\S+/g)?.length).toBeGreaterThan(1900);
    expect(text).not.toContain('alert');
    await expect(page.getByText(/about 1\d:\d\d/).first()).toBeVisible();

    await page.keyboard.press('Control+z');
    await expect.poll(() => headings(request, lesson.id)).toEqual(['Part 1']);
    await page.keyboard.press('Control+y');
    await expect.poll(async () => (await headings(request, lesson.id)).length).toBe(10);

    await page.keyboard.press('Control+f');
    await page.getByRole('textbox', { name: 'Find' }).pressSequentially('mooring rises');
    await page.keyboard.press('Enter');
    await expect(page.locator('.cm-searchMatch-selected')).toHaveText(/mooring rises/i);
    await page.keyboard.press('Escape');
});

test('sections are split, joined, moved and taken out by keyboard and mouse, and every step is undone', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Sections', ['One is here. Two is here.', 'Three is here.', 'Four.']);
    await openScript(page, lesson);
    const order = () => headings(request, lesson.id);
    await page.getByText('Two is here.').click();
    await page.keyboard.press('Home');
    await page.keyboard.press('Control+Enter');
    await page.keyboard.type('Split');
    await expect.poll(order).toEqual(['Part 1', 'Split', 'Part 2', 'Part 3']);
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(order).toEqual(['Part 1', 'Part 2', 'Split', 'Part 3']);
    await page.keyboard.press('Control+Shift+Backspace');
    await expect.poll(order).toEqual(['Part 1', 'Part 2', 'Part 3']);
    for (const _ of [1, 2, 3]) {
        await page.keyboard.press('Control+z');
        await page.waitForTimeout(500);
    }
    await page.getByRole('button', { name: 'More about section 1' }).click();
    await page.getByRole('button', { name: 'Move down' }).click();
    await expect.poll(async () => (await order()).slice(0, 2)).toEqual(['Part 2', 'Part 1']);
    await page.getByRole('button', { name: 'More about section 1' }).click();
    await page.getByRole('button', { name: 'Remove section' }).click();
    await expect.poll(async () => (await order())[0]).toBe('Part 1');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await order()).slice(0, 2)).toEqual(['Part 2', 'Part 1']);
});

test('thirty pages are brought in, tied, and the deck replaced with every tie kept', async ({ page, request }) => {
    const pages = Array.from({ length: 30 }, (_, i) => `Page ${i + 1} about ${topics[i % 10]} number ${i + 1}`);
    const lesson = await makeLesson(
        request,
        'Deck',
        topics.map((topic) => `Here we talk about the ${topic}. And some more.`),
    );
    await openScript(page, lesson);
    await page.getByRole('button', { name: 'Slides', exact: true }).click();
    const panel = page.getByRole('dialog', { name: 'Slides' });
    await panel.getByLabel('Add slides').setInputFiles(deck('thirty', pages));
    await expect(panel.getByText(/page \d+ of 30/)).toBeVisible({ timeout: 30_000 });
    await expect(panel.locator('.deck-list li')).toHaveCount(30, { timeout: WORK_MS });
    await panel.getByLabel('Find a slide by its words').fill('number 17');
    await expect(panel.locator('.deck-list li')).toHaveCount(1);
    await panel.getByLabel('Find a slide by its words').fill('');
    await panel.getByRole('button', { name: 'Tie slides for me' }).click();
    await expect(panel.getByText(/Both say .*"tide"/)).toBeVisible();
    const first = panel.locator('.tie-list li').first();
    await first.getByRole('checkbox').uncheck();
    await panel.getByRole('button', { name: /^Tie \d+ of them/ }).click();
    await page.keyboard.press('Escape');
    await saved(page);
    const tied = (await readLesson(request, lesson.id)).sections.map((section) => section.slide?.name);
    expect(tied.filter((name) => name !== undefined).length).toBeGreaterThanOrEqual(9);
    const before = await textOf(request, lesson.id);

    await page.getByRole('button', { name: 'Slides', exact: true }).click();
    const changed = [...pages.slice(0, 29).map((says) => `${says}, revised`), 'Something else entirely'].reverse();
    await panel.getByLabel('New version of the deck').setInputFiles(deck('changed', changed));
    await expect(panel.getByText(/29 slides have a new picture, 1 new: “Something else entirely”/)).toBeVisible({
        timeout: WORK_MS,
    });
    await expect(panel.getByText(/Not found in changed.pdf, and kept as before/)).toBeVisible();
    expect(await textOf(request, lesson.id)).toBe(before);
    expect((await readLesson(request, lesson.id)).sections.map((section) => section.slide?.name)).toEqual(tied);
});

test('pictures dropped together fill the sections, and what is no picture is refused', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Drop', ['One.', 'Two.', 'Three.']);
    await openScript(page, lesson);
    await page.getByLabel('Slide of section 1').setInputFiles(slides(1, 2, 3));
    await saved(page);
    await expect
        .poll(async () => (await readLesson(request, lesson.id)).sections.map((s) => s.slide?.name))
        .toEqual(['02', '03', '04']);
    await expect(page.getByAltText('Slide: 02')).toBeVisible();
    await page
        .getByLabel('Slide of section 1')
        .setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
    await expect(page.getByText('"notes.png" is not a PNG, JPEG, WebP or SVG picture.')).toBeVisible();
    await page.getByRole('button', { name: 'More about section 2' }).click();
    await page.getByRole('button', { name: 'Remove the slide' }).click();
    await expect
        .poll(async () => (await readLesson(request, lesson.id)).sections.map((s) => s.slide?.name ?? null))
        .toEqual(['02', null, '04']);
});

test('slides that are shown nowhere find the sections that show none', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Bare', ['First words.', 'Second words.', 'Third words.']);
    await openScript(page, lesson);
    await page.getByRole('button', { name: 'Slides', exact: true }).click();
    await page.getByLabel('Add slides').setInputFiles(slides(3, 1, 2));
    const offer = page.getByRole('region', { name: 'Slides without a place' });
    await expect(offer).toContainText('3 slides are not in the script yet, and 3 sections have none.');
    await offer.getByRole('button', { name: 'One per section, in order' }).click();
    await expect(offer).toBeHidden();
    await page.keyboard.press('Escape');
    await saved(page);
    await expect
        .poll(async () => (await readLesson(request, lesson.id)).sections.map((section) => section.slide?.name))
        .toEqual(['02', '03', '04']);
});

test('a card is drawn in the background and appears on the page', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'A card', ['[card: opening, 3 s]']);
    await openScript(page, lesson);
    const card = page.getByAltText(/^Card of section 1/);
    await expect.poll(() => card.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1280);
});

test('a recorded line that is changed says so, with the words that were recorded', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Recorded', ['Find the first high water. Read the height.']);
    await openRecord(page, lesson);
    await choose(page, 'No camera', 'Stand-in voice');
    await roll(page);
    await page.waitForTimeout(2500);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();

    await openScript(page, lesson);
    await expect(page.getByRole('link', { name: 'Take 1, kept, section 1' })).toBeVisible();
    await page.getByText('Find the first high water.').dblclick({ position: { x: 75, y: 12 } });
    await page.keyboard.type('second');
    await saved(page);
    await expect(page.getByText('1 changed')).toBeVisible();
    await expect(page.locator('.line-changed').first()).toHaveAttribute(
        'title',
        'Changed since take 1. Recorded: “Find the first high water.”',
    );
    await page.keyboard.press('Control+z');
    await expect(page.getByText('1 changed')).toBeHidden();
});

test('of two windows that write at once neither is overwritten', async ({ page, request, context }) => {
    const lesson = await makeLesson(request, 'Two writers', ['The same words.']);
    await openScript(page, lesson);
    const other = await context.newPage();
    await openScript(other, lesson);
    await words(other).click();
    await other.keyboard.press('Control+End');
    await other.keyboard.type(' Written there.');
    await saved(other);
    await words(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' Written here.');

    const dialog = page.getByRole('dialog', { name: 'The script was changed in another window' });
    await expect(dialog.getByRole('region', { name: 'This window' })).toContainText('Written here.');
    await expect(dialog.getByRole('region', { name: 'The other window' })).toContainText('Written there.');
    expect(await textOf(request, lesson.id)).toContain('Written there.');
    await dialog.getByRole('button', { name: "Use this window's" }).click();
    await saved(page);
    expect(await textOf(request, lesson.id)).toContain('Written here.');
    await words(page).click();
    await page.keyboard.press('Control+z');
    await expect(words(page)).toContainText('Written there.');
    await other.bringToFront();
    await other.close();
});

test('a lesson begins from a script or a deck in one step, in the house style of its course', async ({
    page,
    request,
}) => {
    const course = (await (
        await request.post('/api/courses', {
            data: { name: 'Knots', style: { width: 1080, height: 1080, fps: 30, card: 'field' } },
        })
    ).json()) as { id: string };
    writeFileSync(`${folder}/three-knots.md`, '## Why\n\nBoats drift.\n\n## Bowline\n\nThe rabbit comes out.\n');
    await page.goto('/');
    await page.getByRole('button', { name: 'New lesson' }).click();
    await page.getByLabel('Course, for its house style').selectOption({ label: 'Knots' });
    await page.getByLabel('Script or slides to start with').setInputFiles(`${folder}/three-knots.md`);
    await expect(page.getByLabel('Title')).toHaveValue('three knots');
    await page.getByRole('button', { name: 'Create lesson' }).click();
    await page.waitForURL(/\/script/);
    await expect(words(page)).toContainText('The rabbit comes out.');
    const id = page.url().split('/')[4] ?? '';
    const made = (await (await request.get(`/api/lessons/${id}`)).json()) as Lesson;
    expect([made.width, made.height, made.fps, made.course?.id]).toEqual([1080, 1080, 30, course.id]);
    expect(await headings(request, id)).toEqual(['Why', 'Bowline']);

    await page.goto(`/courses/${course.id}`);
    await page.getByLabel('Shape of the inset', { exact: true }).selectOption('circle');
    await expect
        .poll(
            async () =>
                ((await (await request.get(`/api/courses/${course.id}`)).json()) as { style: Record<string, string> })
                    .style.inset_shape,
        )
        .toBe('circle');
    await page.goto(`/lessons/${id}/script`);
    await page.getByRole('button', { name: 'More about the script' }).click();
    await page.getByRole('button', { name: 'How this lesson looks' }).click();
    await page.getByLabel('Shape of the inset', { exact: true }).selectOption('rounded');
    await page.getByRole('button', { name: 'Shape of the inset as in the course' }).click();
    await expect(page.getByLabel('Shape of the inset', { exact: true })).toHaveValue('circle');
});

test('what is missing is listed with a way to its place, and cues show as marks', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Ready', [
        'Hello. [pause soon] There. [note: ask Wenna]',
        '[layout: camera alone]\n\nFine.',
    ]);
    await openScript(page, lesson);
    await expect(page.locator('.cue-note')).toHaveText('note: ask Wenna');
    await page.getByRole('button', { name: 'Ready?' }).click();
    await page.getByRole('button', { name: /names no length/ }).click();
    // The cue under the cursor shows its text, and can be mended there.
    await expect(page.locator('.cue-open')).toHaveText('[pause soon]');
    await page.getByRole('button', { name: 'Insert' }).click();
    await page.getByRole('button', { name: 'Pause of two seconds' }).click();
    await saved(page);
    expect(await textOf(request, lesson.id)).toContain('[pause 2 s]');
    await page.getByRole('button', { name: 'More about the script' }).click();
    await page.getByRole('button', { name: 'Show the plain text' }).click();
    await expect(words(page)).toContainText('## Part 1');
    await expect(words(page)).toContainText('[note: ask Wenna]');
    await page.getByRole('button', { name: 'More about the script' }).click();
    await page.getByRole('link', { name: 'Print' }).click();
    await expect(page.getByRole('columnheader', { name: 'Seen' })).toBeVisible();
});

test('the course, the panels and the paper are accessible', async ({ page, request }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const lesson = await demoLesson(request);
    const sound = async () => {
        const found = await new AxeBuilder({ page })
            .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'])
            .analyze();
        expect(found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual(
            [],
        );
    };
    await openScript(page, lesson);
    await page.getByRole('button', { name: 'Slides', exact: true }).click();
    await page.getByRole('button', { name: 'Tie slides for me' }).click();
    await expect(page.getByText(/Every slide that fits is tied already/)).toBeVisible();
    await sound();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Ready?' }).click();
    await expect(page.getByText(/its target is|Nothing is missing/)).toBeVisible();
    await sound();
    await page.goto(`/courses/${lesson.course?.id}`);
    await expect(page.getByLabel('Template')).toBeVisible();
    await sound();
    await page.goto(`/lessons/${lesson.id}/print`);
    await expect(page.getByRole('columnheader', { name: 'Said' })).toBeVisible();
    await sound();
});
