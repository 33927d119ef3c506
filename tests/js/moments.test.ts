import { describe, expect, it } from 'vitest';
import { findIn, lineAt, momentIn, momentLink } from '../../resources/js/site/moments';

describe('moments of a film', () => {
    it.each([
        ['#t=130', 130_000],
        ['#t=2:10', 130_000],
        ['#t=1:02:10', 3_730_000],
        ['#t=12.5', 12_500],
        ['', null],
        ['#t=', null],
        ['#t=-3', null],
        ['#comments', null],
    ])('%s is named by an address', (hash, milliseconds) => {
        expect(momentIn(hash)).toBe(milliseconds);
    });

    it('makes an address that names it', () => {
        expect(momentLink('http://here/watch/x#t=3', 130.9)).toBe('http://here/watch/x#t=130');
        expect(momentIn('#t=130')).toBe(130_000);
    });

    it('finds the line that is said', () => {
        expect(lineAt([1000, 4000], 999)).toBe(-1);
        expect(lineAt([1000, 4000], 1000)).toBe(0);
        expect(lineAt([1000, 4000], 9000)).toBe(1);
        expect(lineAt([], 5)).toBe(-1);
    });

    it('finds lines that hold all words, in whatever case', () => {
        const lines = ['The Creek is full.', 'A creek runs dry.', 'Nothing.'];
        expect(findIn(lines, 'CREEK')).toEqual([0, 1]);
        expect(findIn(lines, 'full creek')).toEqual([0]);
        expect(findIn(lines, '  ')).toEqual([]);
        expect(findIn(lines, 'sea')).toEqual([]);
    });
});
