import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import type { Assembly } from '../../resources/js/api/types';
import { sent } from './film';
import { filmOf, isAccessible, listened, makeLesson, probe, silences, textOf } from './helpers';

const FIRST = 'Watch the gauge while it settles.';
const SECOND = 'Now it stands at four point eight metres.';

test('a silence runs faster, or is cut out, where one says so in the storyboard', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'The gauge settles', [`${FIRST} [speed: 2 x] ${SECOND}`]);
    const section = lesson.sections[0]?.id ?? '';
    const [one, two, file] = ['one.wav', 'two.wav', 'gauge.webm'].map((name) => test.info().outputPath(name));
    execFileSync('espeak-ng', ['-w', one ?? '', FIRST]);
    execFileSync('espeak-ng', ['-w', two ?? '', SECOND]);
    // Somebody watches for eight seconds and says nothing; the room is heard.
    const say =
        '[1:a]aresample=48000,adelay=600,apad=pad_dur=8[a];[2:a]aresample=48000,apad=pad_dur=1[b];[a][b]concat=n=2:v=0:a=1,' +
        'asplit[v][l];[l]volume=0,aeval=0.0005*(2*random(0)-1)[room];[v][room]amix=inputs=2:normalize=0[out]';
    execFileSync('ffmpeg', [
        ...['-v', 'error', '-y', '-f', 'lavfi', '-i', 'testsrc2=s=320x240:r=25', '-i', one ?? '', '-i', two ?? ''],
        ...['-filter_complex', say, '-map', '0:v', '-map', '[out]', '-shortest'],
        ...['-c:v', 'libvpx', '-b:v', '300k', '-g', '50', '-c:a', 'libopus', file ?? ''],
    ]);
    const take = await sent(request, lesson, file ?? '');
    expect((await listened(request, section)).alignment).toBe('sure');
    await request.patch(`/api/takes/${take.id}`, { data: { verdict: 'kept' } });
    const plan = async () => (await (await request.get(`/api/lessons/${lesson.id}/assembly`)).json()) as Assembly;
    const before = await plan();
    expect(before.segments[0]?.map?.map(({ step }) => step)).toEqual([1920, 3840, 1920]);

    await page.goto(`/lessons/${lesson.id}/finish/${section}`);
    const choice = page.getByLabel(/How the silence of \d\.\d s is gone through/);
    await expect(choice).toHaveValue('2 x');
    await isAccessible(page);
    await choice.selectOption({ label: '16 times as fast' });
    await expect(page.getByText('The silence runs 16 times as fast.')).toBeVisible();
    await expect.poll(() => textOf(request, lesson.id)).toContain(`${FIRST} [speed: 16 x] ${SECOND}`);
    const faster = await plan();
    const fast = faster.segments[0]?.map?.[1];
    expect(fast?.step).toBe(16 * 1920);
    expect(faster.frames).toBeLessThan(before.frames - 60);

    // In Watch the take itself runs faster, and is heard again with the next word.
    await page.locator('[data-word="4"]').click();
    const paces = page.evaluate(async () => {
        const seen = new Set<string>();
        const end = performance.now() + 8000;
        while (performance.now() < end && !seen.has('1 behind')) {
            const camera = [...document.querySelectorAll<HTMLVideoElement>('.watch .camera video')].find(
                (video) => !video.paused,
            );
            if (camera) {
                const behind = seen.has('16 ') ? 'behind' : '';
                seen.add(`${camera.playbackRate} ${camera.playbackRate === 1 ? behind : ''}`);
            }
            await new Promise(requestAnimationFrame);
        }
        return [...seen];
    });
    await page.getByRole('region', { name: 'Watch' }).getByRole('button', { name: 'Watch', exact: true }).click();
    expect(await paces).toEqual(['1 ', '16 ', '1 behind']);

    await choice.selectOption({ label: 'cut out' });
    await expect.poll(() => textOf(request, lesson.id)).toContain('[speed: cut]');
    const cut = await plan();
    expect(cut.segments[0]?.map?.map(({ step }) => step)).toEqual([1920, 1920]);
    const film = await filmOf(request, lesson.id, test.info().outputPath('cut.mp4'));
    expect(probe(film).frames).toBe(cut.frames);
    expect(silences(film).filter(([from, until]) => until - from > 1.5)).toEqual([]);

    // As it was recorded again, and back.
    await choice.selectOption({ label: 'as recorded' });
    await expect.poll(() => textOf(request, lesson.id)).toContain(`${FIRST} ${SECOND}`);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => textOf(request, lesson.id)).toContain('[speed: cut]');
});
