import { expect, it } from 'vitest';
import { begin, cueOf } from '../../resources/js/rooms/finish/placing';
import { numbersOf } from '../../resources/js/rooms/finish/placingFields';

const named = (placing: Parameters<typeof numbersOf>[0], name: string) =>
    numbersOf(placing).find((one) => one.name === name) ?? expect.fail(name);

it('asks for the numbers that a thing has', () => {
    const names = (what: Parameters<typeof begin>[0]['what']) => numbersOf(begin({ what })).map(({ name }) => name);
    expect(names('label')).toEqual(['Left', 'Top']);
    expect(names('arrow')).toEqual(['From left', 'From top', 'To left', 'To top']);
    expect(names('box')).toEqual(['Left', 'Top', 'Width', 'Height']);
    // A zoom keeps the shape of the picture.
    expect(names('zoom')).toEqual(['Left', 'Top', 'Width']);
});

it('moves and sizes by a number, and keeps the rest', () => {
    const box = begin({ what: 'box' });
    expect(cueOf(named(box, 'Left').set(0.1))).toBe('[emphasis: box 10 30 40 40, contrast]');
    expect(cueOf(named(box, 'Height').set(0.2))).toBe('[emphasis: box 30 30 40 20, contrast]');
    const arrow = begin({ what: 'arrow' });
    expect(cueOf(named(arrow, 'To top').set(0.9))).toBe('[emphasis: arrow 65 70 50 90, contrast]');
    expect(cueOf(named(begin({ what: 'zoom' }), 'Width').set(0.5))).toBe('[zoom: 30 30 50]');
});

it('stays inside the picture', () => {
    expect(cueOf(named(begin({ what: 'zoom' }), 'Left').set(0.9))).toBe('[zoom: 60 30 40]');
});
