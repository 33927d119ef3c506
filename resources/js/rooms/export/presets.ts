import { setup } from '../../api/setup';
import type { Edition, Lesson } from '../../api/types';

type Frame = Pick<Lesson, 'width' | 'height'>;

export const usual: Edition = {
    width: null,
    height: null,
    quality: 'balanced',
    format: 'mp4',
    section: null,
    burned: false,
    draft: false,
};

const shapeNames: Record<string, string> = { '16:9': 'wide', '4:3': '4:3', '1:1': 'square', '9:16': 'upright' };

const shapeOf = ([width, height]: readonly [number, number]): string => {
    const near = Object.keys(shapeNames).find((name) => {
        const [w = 1, h = 1] = name.split(':').map(Number);
        return Math.abs(width / height - w / h) < 0.02;
    });
    return near ?? `${width}:${height}`;
};

/** Sizes from the lesson's own down, and those of other shapes, which are computed anew; by shape, its own first. */
export function sizesFor(lesson: Frame): { shape: string; sizes: [number, number][] }[] {
    const own: [number, number] = [lesson.width, lesson.height];
    const all = [...Object.values(setup.frames).flat(), ...setup.smaller, own];
    const most = own[0] * own[1];
    const found = new Map<string, [number, number][]>([[shapeOf(own), []]]);
    for (const size of all) {
        const shape = shapeOf(size);
        const isLarger = size[0] * size[1] > most * (shape === shapeOf(own) ? 1 : 1.2);
        const sizes = found.get(shape) ?? [];
        if (!isLarger && !sizes.some((one) => one.join() === size.join())) {
            found.set(shape, [...sizes, size]);
        }
    }
    return [...found]
        .filter(([, sizes]) => sizes.length > 0)
        .map(([shape, sizes]) => ({
            shape: shapeNames[shape] ?? shape,
            sizes: sizes.sort((one, other) => other[0] - one[0]),
        }));
}

/** Whether the picture is put together otherwise than the lesson's. */
export const hasOtherShape = (edition: Edition, lesson: Frame): boolean =>
    edition.width !== null &&
    edition.height !== null &&
    shapeOf([edition.width, edition.height]) !== shapeOf([lesson.width, lesson.height]);

/** As the server is asked. */
export const query = (edition: Edition): string => {
    const said = Object.entries(edition).filter(([, value]) => value !== null && value !== false);
    return new URLSearchParams(said.map(([name, value]) => [name, value === true ? '1' : String(value)])).toString();
};

export const sameEdition = (one: Edition, other: Edition): boolean => query(one) === query(other);

/** What tells a film from the lesson's usual one; empty for that. */
export function says(edition: Edition): string {
    return [
        edition.format === 'webm' ? 'WebM' : '',
        edition.width ? `${edition.width} x ${edition.height}` : '',
        { small: 'small file', balanced: '', sharp: 'sharpest' }[edition.quality],
        edition.burned ? 'captions in the picture' : '',
        edition.section ? 'one section' : '',
        edition.draft ? 'draft' : '',
    ]
        .filter(Boolean)
        .join(', ');
}

/** What is chosen, as it was kept in this browser; null when nothing is, or it cannot be read. */
export function kept(text: string): Edition[] | null {
    try {
        const found = JSON.parse(text) as Edition[];
        return Array.isArray(found) && found.length > 0 ? found.map((one) => ({ ...usual, ...one })) : null;
    } catch {
        return null;
    }
}
