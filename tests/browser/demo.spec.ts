import { expect, test } from '@playwright/test';
import type { Assembly } from '../../resources/js/api/types';
import {
    WORK_MS,
    choose,
    demoLesson,
    finish,
    isAccessible,
    openRecord,
    probe,
    readLesson,
    roll,
    takesOf,
} from './helpers';

test('the missing section of the demo is recorded with the stand-ins, watched and exported', async ({
    page,
    request,
}) => {
    // Run by itself, all of the demo's takes are still to be heard, and all four minutes of it to be made.
    const lesson = await demoLesson(request);
    await openRecord(page, lesson, 8);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    await expect(page.locator('.meter strong')).toHaveText('good');
    await roll(page);
    await page.waitForTimeout(8000);
    await finish(page);
    const [take] = await takesOf(request, lesson.sections[8]?.id);
    expect(take?.flags).toEqual([]);
    expect(take?.camera).toEqual({ width: 1280, height: 720 });
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();

    // What is heard in a take decides what of it is used; another film would follow from it.
    const unheard = async () =>
        (await readLesson(request, lesson.id)).sections
            .flatMap((one) => one.takes)
            .filter((one) => one.alignment === null).length;
    await expect.poll(unheard, { timeout: WORK_MS }).toBe(0);
    await page.goto(`/lessons/${lesson.id}/finish`);
    const plan = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    const stage = page.getByRole('group', { name: 'The lesson as it will be exported' });
    const frame = async () => Number(await stage.getAttribute('data-frame'));
    // Start a second before the last section begins, and let it play across the join.
    const join = plan.segments.at(-2)?.start_frame ?? 0;
    await page.getByLabel('Place in the lesson').fill(String(join - 25));
    await expect.poll(frame).toBe(join - 25);
    await page.getByRole('button', { name: 'Watch', exact: true }).click();
    await expect.poll(frame, { timeout: 20_000 }).toBeGreaterThan(join + 10);
    await expect(stage).toHaveAttribute('data-section', '9');
    const playing = await stage.locator('video').evaluateAll((all: HTMLVideoElement[]) => all.map((v) => !v.paused));
    expect(playing.filter(Boolean)).toHaveLength(1);
    await page.getByRole('button', { name: 'Pause', exact: true }).click();

    // From its first word on, the section shows the slide alone.
    const words = page.locator(`#board-${lesson.sections[8]?.id} .word`);
    await words.first().click();
    await page.getByRole('group', { name: 'Layout' }).getByRole('button', { name: 'Slide alone' }).click();
    await expect(page.getByText('Slide alone from here on.')).toBeVisible();
    await expect(page.locator(`#board-${lesson.sections[8]?.id} .cue-chip`, { hasText: 'slide alone' })).toBeVisible();
    await page.goto(`/lessons/${lesson.id}/handover`);
    await expect(page.getByText('Will there be water at the sill?')).toBeVisible();
    await page.getByRole('button', { name: 'Export', exact: true }).click();
    // Leaving the page does not stop it.
    await page.goto('/');
    await page.goto(`/lessons/${lesson.id}/handover`);
    // Four minutes of film take some 170 s of a core, of which there are two that do other things as well.
    await expect(page.getByText('Checked: the file is as intended')).toBeVisible({ timeout: WORK_MS });
    const file = page.waitForEvent('download');
    const captions = page.getByRole('link', { name: 'Captions (WebVTT)' });
    const text = await (await request.get((await captions.getAttribute('href')) ?? '')).text();
    expect(text).toMatch(/^WEBVTT\n\n1\n00:00:\d\d\.\d{3} --> 00:00:\d\d\.\d{3}\n/);
    // A word is shown while it is heard.
    const moon = /(\d\d):(\d\d):([\d.]+) --> (\d\d):(\d\d):([\d.]+)\n[^-]*Twice a month/.exec(text);
    const seconds = (at: number) => 3600 * Number(moon?.[at]) + 60 * Number(moon?.[at + 1]) + Number(moon?.[at + 2]);
    const heard = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    const springs = lesson.sections[4];
    const segment = heard.segments.find(({ section_id }) => section_id === springs?.id);
    const line = segment?.words.find((one) => one.line === springs?.lines[1]?.id);
    const said = ((segment?.start_frame ?? 0) + (line?.frames[0] ?? 0)) / heard.fps;
    expect(seconds(1)).toBeLessThanOrEqual(said + 0.1);
    expect(seconds(4)).toBeGreaterThan(said);
    await page.getByRole('link', { name: 'Download' }).click();
    const film = probe(await (await file).path());
    const now = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    expect(film.frames).toBe(now.frames);
    // One a section, also where a pickup is heard in the middle of one.
    expect(film.chapters).toEqual([...new Set(now.segments.map((segment) => segment.title))]);

    // The shelf tells how far the lesson is, and what is next.
    await page.goto('/');
    const title = page.getByRole('link', { name: 'How to read a tide table', exact: true });
    const row = page.getByRole('listitem').filter({ has: title });
    await expect(row.getByText('film up to date')).toBeVisible();
    await expect(row.getByRole('img', { name: /^Sections: 9 kept, 1 undecided/ })).toBeVisible();
    await isAccessible(page);
    await row.getByRole('link', { name: 'Review section 8' }).click();
    await expect(page).toHaveURL(new RegExp(`/review/${lesson.sections[7]?.id}`));
});

test('lessons are renamed, deleted and brought back', async ({ page, request }) => {
    await request.post('/api/lessons', { data: { title: 'Old name', width: 1920, height: 1080, fps: 30 } });
    await page.goto('/');
    await page.getByRole('button', { name: 'More about Old name' }).click();
    await page.getByRole('button', { name: 'Rename' }).click();
    await page.getByLabel('Title').fill('New name');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('link', { name: 'New name' })).toBeVisible();
    await page.getByRole('button', { name: 'More about New name' }).click();
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect(page.getByRole('link', { name: 'New name' })).toBeHidden();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('link', { name: 'New name' })).toBeVisible();
});
