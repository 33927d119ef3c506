import { expect, type Page, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import type { Assembly, Course, Lesson } from '../../resources/js/api/types';
import { WORK_MS, choose, finish, loudness, openRecord, probe, readLesson, listened } from './helpers';

/** The colour of one pixel of a film, as RRGGBB. */
function pixel(file: string, second: number, x: number, y: number): string {
    return execFileSync('ffmpeg', [
        ...['-v', 'error', '-ss', String(second), '-i', file, '-frames:v', '1'],
        ...['-vf', `scale=in_color_matrix=bt709:out_color_matrix=bt709,format=rgb24,crop=1:1:${x}:${y}`],
        ...['-f', 'rawvideo', '-'],
    ]).toString('hex');
}

const near = (a: string, b: string) =>
    Math.max(...[0, 2, 4].map((i) => Math.abs(parseInt(a.slice(i, i + 2), 16) - parseInt(b.slice(i, i + 2), 16)))) < 24;

async function exportFilm(page: Page, lesson: Lesson): Promise<string> {
    await page.goto(`/lessons/${lesson.id}/handover`);
    await page.getByRole('button', { name: /^Export/ }).click();
    await expect(page.getByText('Checked: the file is as intended')).toBeVisible({ timeout: WORK_MS });
    const file = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Download' }).click();
    return (await file).path();
}

test('a square lesson with a card is recorded, watched and exported in the house style of its course', async ({
    page,
    request,
}) => {
    const course = (await (
        await request.post('/api/courses', {
            data: {
                name: 'Square',
                style: {
                    ...{
                        width: 720,
                        height: 720,
                        fps: 30,
                        inset_shape: 'circle',
                        border: 'thick',
                        border_colour: 'FF0000',
                    },
                    ...{ card: 'field', accent: '008000', sound_target: -18, count_down: 0, ground: '0000FF' },
                },
            },
        })
    ).json()) as Course;
    const made = (await (
        await request.post('/api/lessons', { data: { title: 'Square tides', course_id: course.id } })
    ).json()) as Lesson;
    await request.put(`/api/lessons/${made.id}/script`, {
        data: {
            text:
                '# Square tides\n\n## Welcome\n\n[card: opening, 2 s]\n\nReading the Water\n\n' +
                '## Tides\n\nFind the day. Then find the first high water.\n',
            revision: made.revision,
        },
    });
    // A wide picture on the square frame leaves the ground above and below it.
    await request.post(`/api/lessons/${made.id}/slides`, {
        multipart: {
            'files[]': {
                name: 'White.svg',
                mimeType: 'image/svg+xml',
                buffer: Buffer.from(
                    '<svg xmlns="http://www.w3.org/2000/svg" width="160" height="90">' +
                        '<rect width="160" height="90" fill="#fff"/></svg>',
                ),
            },
            section: (await readLesson(request, made.id)).sections[1]?.id ?? '',
        },
    });

    const lesson = await readLesson(request, made.id);
    await page.goto(`/lessons/${lesson.id}/record/${lesson.sections[0]?.id}`);
    await expect(page.getByText('This section is a card')).toBeVisible();
    await page.getByRole('button', { name: 'Record section 2' }).click();
    await openRecord(page, lesson, 1);
    await choose(page, 'Stand-in presenter', 'Stand-in voice');
    // Without a count-down it rolls at once.
    await page.keyboard.press('r');
    await expect(page.getByText('Recording', { exact: true })).toBeVisible();
    await page.waitForTimeout(4500);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    await listened(request, lesson.sections[1]?.id ?? '');

    await page.goto(`/lessons/${lesson.id}/finish`);
    await expect(page.getByText('2 of 2 sections kept')).toBeVisible();
    const stage = page.getByRole('group', { name: 'The lesson as it will be exported' });
    await page.getByRole('button', { name: 'Watch', exact: true }).click();
    // The card has no media; it keeps its own time and hands over to the take.
    await expect(stage).toHaveAttribute('data-section', '2', { timeout: 15_000 });
    const plan = (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    expect(plan.segments.map((segment) => segment.frames)[0]).toBe(60);

    const film = await exportFilm(page, lesson);
    const found = probe(film);
    expect([found.width, found.height, found.frames]).toEqual([720, 720, plan.frames]);
    expect(found.chapters).toEqual(['Welcome', 'Tides']);
    expect(Math.abs(loudness(film).lufs + 18)).toBeLessThanOrEqual(0.6);
    const layers = plan.segments[1]?.shots[0]?.picture.layers ?? [];
    const camera = layers.find((layer) => layer.shows === 'camera')?.rect ?? { x: 0, y: 0, width: 2, height: 2 };
    expect(camera.width).toBe(camera.height);
    expect(near(pixel(film, 1, 20, 700), '008000')).toBe(true);
    expect(near(pixel(film, 3, 360, 40), '0000ff')).toBe(true);
    expect(near(pixel(film, 3, camera.x + camera.width / 2, camera.y + 2), 'ff0000')).toBe(true);

    // A change of the style says which exports it makes out of date.
    await page.goto(`/courses/${course.id}`);
    await page.getByLabel('Shape of the inset').selectOption('rounded');
    await expect(page.getByText('One export is out of date now: Square tides.')).toBeVisible();
    await page.goto(`/lessons/${lesson.id}/handover`);
    await expect(page.getByRole('button', { name: 'Export again' })).toBeVisible();
});

test('courses are made, named and deleted with undo, and lessons move between them', async ({ page, request }) => {
    await request.post('/api/lessons', { data: { title: 'Wanderer', width: 1280, height: 720, fps: 25 } });
    await page.goto('/');
    await page.getByRole('button', { name: 'New course' }).click();
    await page.getByLabel('Name of the new course').fill('Knots afloat');
    await page.getByRole('button', { name: 'Create course' }).click();
    await page.waitForURL(/\/courses\//);
    await page.getByLabel('Name of the course').fill('Knots and hitches');
    await page.keyboard.press('Enter');
    await page.getByLabel('Template').selectOption('shore');
    await expect(page.getByRole('heading', { name: 'House style of Knots and hitches' })).toBeVisible();

    await page.goto('/');
    await page.getByRole('button', { name: 'More about Wanderer' }).click();
    await page.getByRole('button', { name: 'Move to Knots and hitches' }).click();
    const group = page.getByRole('region', { name: 'Knots and hitches' });
    await expect(group.getByRole('link', { name: 'Wanderer' })).toBeVisible();
    await page.getByRole('button', { name: 'More about the course Knots and hitches' }).click();
    await page.getByRole('button', { name: 'Delete the course' }).click();
    await expect(group).toBeHidden();
    await expect(page.getByRole('link', { name: 'Wanderer' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect(group.getByRole('link', { name: 'Wanderer' })).toBeVisible();
});
