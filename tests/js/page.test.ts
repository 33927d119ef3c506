import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { moveTo, openingCue, removeSection, sectionsOf } from '../../resources/js/page/commands';
import { mapped } from '../../resources/js/page/places';
import { differingRows, replacement } from '../../resources/js/page/replace';
import { ScriptSync, type ServerScript } from '../../resources/js/page/ScriptSync';
import { cueLabel, cuesIn, headingMark, writeCue } from '../../resources/js/page/syntax';

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

describe('the way to the server', () => {
    let page = 'A';
    let server: ServerScript = { text: 'A', revision: 1 };
    let draft: ServerScript | null = null;
    let away = false;
    const news: ServerScript[] = [];
    const make = () =>
        new ScriptSync(
            server,
            {
                save: async (words, revision) => {
                    if (away) {
                        throw new TypeError('network');
                    }
                    if (revision !== server.revision) {
                        throw { status: 409, says: 'changed', ...server };
                    }
                    server = { text: words, revision: revision + 1 };
                    return server;
                },
                load: async () => server,
                answerOf: (error) => (error instanceof TypeError ? null : (error as never)),
                drafts: { read: () => draft, write: (kept) => (draft = kept) },
                onScript: (script) => news.push(script),
            },
            () => page,
        );

    beforeEach(() => {
        vi.useFakeTimers();
        page = 'A';
        server = { text: 'A', revision: 1 };
        draft = null;
        away = false;
        news.length = 0;
    });
    afterEach(() => vi.useRealTimers());

    const type = async (sync: ScriptSync, words: string, wait = 1000) => {
        page = words;
        sync.changed();
        await vi.advanceTimersByTimeAsync(wait);
    };

    it('saves a moment after the last key', async () => {
        const sync = make();
        await type(sync, 'AB', 300);
        expect(sync.snapshot().saved).toBe('unsaved');
        await type(sync, 'ABC');
        expect(server).toEqual({ text: 'ABC', revision: 2 });
        expect(sync.snapshot().saved).toBe('saved');
        expect(draft).toBeNull();
        sync.close();
    });

    it('keeps words while the server is away, and brings them when it is back', async () => {
        const sync = make();
        away = true;
        await type(sync, 'AB');
        expect(sync.snapshot().saved).toBe('offline');
        expect(draft).toEqual({ text: 'AB', revision: 1 });
        away = false;
        await vi.advanceTimersByTimeAsync(4000);
        expect(server.text).toBe('AB');
        expect(draft).toBeNull();
        sync.close();
    });

    it('shows both versions and overwrites neither until one is chosen', async () => {
        const sync = make();
        server = { text: 'theirs', revision: 5 };
        await type(sync, 'mine');
        expect(sync.snapshot().conflict).toEqual({ mine: 'mine', theirs: 'theirs', revision: 5 });
        await type(sync, 'mine, more', 10_000);
        expect(server.text).toBe('theirs');
        sync.resolved();
        await vi.advanceTimersByTimeAsync(100);
        expect(server).toEqual({ text: 'mine, more', revision: 6 });
        sync.close();
    });

    it('takes over what was written elsewhere only when nothing here waits', async () => {
        const sync = make();
        server = { text: 'elsewhere', revision: 2 };
        page = 'typing';
        sync.changed();
        await sync.look();
        expect(news).toEqual([]);
        sync.close();
        const idle = make();
        server = { text: 'later', revision: 3 };
        await idle.look();
        expect(news.at(-1)).toEqual({ text: 'later', revision: 3 });
        idle.close();
    });

    it('starts from words an earlier visit could not save', () => {
        expect(ScriptSync.opening({ text: 'A', revision: 1 }, null)).toMatchObject({ text: 'A', unsaved: false });
        expect(ScriptSync.opening({ text: 'A', revision: 1 }, { text: 'AB', revision: 1 })).toMatchObject({
            text: 'AB',
            unsaved: true,
        });
        expect(ScriptSync.opening({ text: 'C', revision: 2 }, { text: 'AB', revision: 1 })).toMatchObject({
            text: 'C',
            conflict: true,
        });
        expect(ScriptSync.opening({ text: 'AB', revision: 2 }, { text: 'AB', revision: 1 })).toMatchObject({
            conflict: false,
        });
    });
});
