import { readFileSync } from 'node:fs';
import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { describe, expect, it } from 'vitest';
import { moveTo, openingCue, removeSection, sectionsOf } from '../../resources/js/page/commands';
import { mapped } from '../../resources/js/page/places';
import { differingRows, replacement } from '../../resources/js/page/replace';
import { type CueKind, cueLabel, cuesIn, headingMark, writeCue } from '../../resources/js/lib/scriptSyntax';

const state = (doc: string) => EditorState.create({ doc });
/** Commands only read the state and dispatch, so a page without a window will do. */
const pageOf = (doc: string) => {
    const page = {
        state: state(doc),
        dispatch(spec: Parameters<EditorState['update']>[0]) {
            page.state = page.state.update(spec).state;
        },
    };
    return page as typeof page & EditorView;
};
const text = (page: { state: EditorState }) => page.state.doc.toString();

interface Examples {
    read: { text: string; cues: [string, string, string][] }[];
    write: [CueKind, string, string][];
    headings: [string, number, number][];
}

const examples = JSON.parse(readFileSync(new URL('../examples/cues.json', import.meta.url), 'utf8')) as Examples;

describe('the syntax of a script, by the examples that the server is tested with', () => {
    it('finds cues', () => {
        for (const { text, cues } of examples.read) {
            const found = cuesIn(text).map((cue) => [cue.kind, cue.value, text.slice(cue.from, cue.to)]);
            expect(found).toEqual(cues);
        }
    });

    it('writes them', () => {
        for (const [kind, value, text] of examples.write) {
            expect(writeCue(kind, value)).toBe(text);
        }
    });

    it('knows headings', () => {
        for (const [row, length, level] of examples.headings) {
            expect(headingMark(row)).toEqual(level === 0 ? null : { length, level });
        }
    });
});

describe('cues and headings in the text', () => {
    it('are found where the server finds them', () => {
        expect(
            cuesIn('A [slide] b [PAUSE: 2 s] \\[note] [sic] [layout:camera alone]').map((c) => [c.kind, c.value]),
        ).toEqual([
            ['slide', ''],
            ['pause', '2 s'],
            ['layout', 'camera alone'],
        ]);
        expect(headingMark('## High')).toEqual({ length: 3, level: 2 });
        expect(headingMark('#High')).toEqual({ length: 1, level: 1 });
        expect(headingMark('### High')).toBeNull();
    });

    it('are written so that they are read again', () => {
        expect(writeCue('slide', ' Tide [table]\n2 ')).toBe('[slide: Tide table 2]');
        expect(writeCue('pause', '2 s')).toBe('[pause 2 s]');
        expect(writeCue('slide')).toBe('[slide]');
        expect(cueLabel({ kind: 'slide', value: '' })).toBe('next slide');
    });
});

describe('sections on the page', () => {
    const script = '# Tides\n\n[target 4:00]\n\n## A\n\na.\n\n## B\n\nb.\n';

    it('are those the server sees', () => {
        expect(sectionsOf(state(script)).map((s) => script.slice(s.from, s.to))).toEqual([
            '## A\n\na.\n\n',
            '## B\n\nb.\n',
        ]);
        expect(sectionsOf(state('Hello.\n## B'))).toHaveLength(2);
        expect(sectionsOf(state('[note: x]\n# Tides\n# Part two\n'))).toHaveLength(1);
        expect(sectionsOf(state('[slide]\n\n## A'))).toHaveLength(2);
        expect(sectionsOf(state(''))).toEqual([]);
    });

    it('move whole, also one without a heading', () => {
        const page = pageOf(script);
        expect(moveTo(page, 0, 1)).toBe(true);
        expect(text(page)).toBe('# Tides\n\n[target 4:00]\n\n## B\n\nb.\n\n## A\n\na.\n\n');
        const loose = pageOf('Hello.\n\n## B\n\nb.');
        moveTo(loose, 0, 1);
        expect(text(loose)).toBe('## B\n\nb.\n\n## \n\nHello.\n\n');
        expect(moveTo(loose, 0, 5)).toBe(false);
    });

    it('are taken out', () => {
        const page = pageOf(script);
        removeSection(page, 0);
        expect(text(page)).toBe('# Tides\n\n[target 4:00]\n\n## B\n\nb.\n');
    });

    it('begin with one cue of a kind', () => {
        const page = pageOf('## A\n\n[layout: camera alone]\n[slide: old]\n\na. [slide]\n\n## B');
        page.dispatch(openingCue(page.state, 0, 'slide', 'new'));
        expect(text(page)).toBe('## A\n\n[slide: new] [layout: camera alone]\n\na. [slide]\n\n## B');
        page.dispatch(openingCue(page.state, 1, 'slide', 'last'));
        expect(text(page)).toMatch(/## B\n\n\[slide: last\]\n$/);
        page.dispatch(openingCue(page.state, 0, 'slide', null));
        page.dispatch(openingCue(page.state, 0, 'layout', null));
        expect(text(page)).toMatch(/^## A\n\na\. \[slide\]/);
    });
});

describe('places and differences', () => {
    it('move along with the text', () => {
        const places = { sections: [{ id: 's', from: 0, until: 10 }], lines: [{ id: 'l', from: 4, until: 8 }] };
        const change = state('0123456789').changes({ from: 2, insert: 'xx' });
        expect(mapped(places, change)).toEqual({
            sections: [{ id: 's', from: 0, until: 12 }],
            lines: [{ id: 'l', from: 6, until: 10 }],
        });
    });

    it('are kept to where two texts differ', () => {
        const old = state('One tide. Two boats.');
        expect(replacement(old, 'One tide. Six boats.')).toEqual({ changes: { from: 10, to: 13, insert: 'Six' } });
        expect(replacement(old, 'One tide. Two boats.')).toEqual({});
        expect(replacement(state('aa'), 'aaa')).toEqual({ changes: { from: 2, to: 2, insert: 'a' } });
        expect(differingRows('a\nb\nc', 'a\nx\ny\nc')).toEqual({ a: ['b'], b: ['x', 'y'], before: 1 });
    });
});
