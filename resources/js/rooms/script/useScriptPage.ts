import { redo, undo } from '@codemirror/commands';
import { type ChangeSet, EditorSelection, StateEffect, Transaction } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { may } from '../../api/me';
import type { Lesson, ScriptText, TieProposal } from '../../api/types';
import { createPage, fromServer } from '../../page/createPage';
import { setChangedLines } from '../../page/decorations';
import type { PageGeometry } from '../../page/geometry';
import { mapped, type Places, setPlaces } from '../../page/places';
import { replacement } from '../../page/replace';
import type { ScriptSync } from '../../page/ScriptSync';
import { writeCue } from '../../lib/scriptSyntax';
import { changedSince } from './changed';

const nothingSeen: PageGeometry = { sections: [], lines: new Map(), height: 0 };

const placesOf = (script: ScriptText): Places => ({
    sections: script.sections.map(({ id, from, until }) => ({ id, from, until })),
    lines: script.sections.flatMap((section) => section.lines),
});

/** Where the page is opened: at a section, or with a line of it chosen. */
export interface Start {
    section: string | undefined;
    line: string | null;
}

/** The page, its way to the server, and where things stand on it. */
export function useScriptPage(lesson: Lesson, sync: ScriptSync<ScriptText>, startWith: Start) {
    const startAt = useRef(startWith);
    const readOnly = !may(lesson, 'write');
    const [view, setView] = useState<EditorView | null>(null);
    const [geometry, setGeometry] = useState(nothingSeen);
    const [places, setServerPlaces] = useState(sync.script);
    const state = useSyncExternalStore(sync.subscribe, sync.snapshot);

    const mount = useCallback(
        (parent: HTMLElement | null) => {
            if (!parent) {
                return;
            }
            const { script } = sync;
            /** What was typed since the text was last sent: the answer's places are moved along it. */
            let since: ChangeSet | null = null;
            const page = createPage(parent, script.text, {
                onChange: () => sync.changed(),
                onGeometry: setGeometry,
                readOnly,
            });
            page.dispatch({ effects: setPlaces.of(placesOf(script)) });
            if (sync.text !== script.text) {
                // Words that still wait for the server: one step of undo away from what it has.
                since = page.state.changes(replacement(page.state, sync.text).changes);
                page.dispatch(replacement(page.state, sync.text), { annotations: [fromServer.of(true)] });
            }
            // Changes are gathered from the page itself, so that none is missed between two saves.
            const gather = EditorView.updateListener.of((update) => {
                if (update.docChanged && !update.transactions.some((t) => t.annotation(fromServer))) {
                    since = since ? since.compose(update.changes) : update.changes;
                }
            });
            page.dispatch({ effects: StateEffect.appendConfig.of(gather) });
            const detach = sync.attach({
                text: () => page.state.doc.toString(),
                sending: () => {
                    since = null;
                },
                show: (fresh) => {
                    if (since === null && page.state.doc.toString() !== fresh.text) {
                        page.dispatch(replacement(page.state, fresh.text), { annotations: [fromServer.of(true)] });
                    }
                    setServerPlaces(fresh);
                    const moved = since && !since.empty ? mapped(placesOf(fresh), since) : placesOf(fresh);
                    page.dispatch({ effects: setPlaces.of(moved) });
                },
                write: (text) => page.dispatch(replacement(page.state, text)),
            });
            setView(page);
            setServerPlaces(script);
            void sync.look();
            const blank = script.sections.length === 1 && script.sections[0]?.lines.length === 0;
            if (blank && /## *\n?$/.test(sync.text)) {
                // An empty lesson: its first heading is what to write next.
                const heading = sync.text.lastIndexOf('## ') + 3;
                page.dispatch({ selection: EditorSelection.cursor(heading) });
                page.focus();
            }
            const at = script.sections.findIndex((section) => section.id === startAt.current.section);
            const line = script.sections.flatMap((one) => one.lines).find(({ id }) => id === startAt.current.line);
            const place = at > 0 ? script.sections[at] : undefined;
            const within = (where: number) => Math.min(where, page.state.doc.length);
            if (line) {
                const selection = EditorSelection.range(within(line.until), within(line.from));
                page.dispatch({ selection, effects: EditorView.scrollIntoView(within(line.from), { y: 'center' }) });
                page.focus();
            } else if (place) {
                page.dispatch({ effects: EditorView.scrollIntoView(within(place.from), { y: 'start', yMargin: 24 }) });
            }
            const focus = () => void sync.look();
            window.addEventListener('focus', focus);
            return () => {
                window.removeEventListener('focus', focus);
                detach();
                page.destroy();
            };
        },
        // Mounted once; what it starts with does not change under it.
        [sync, readOnly],
    );

    useEffect(() => {
        view?.dispatch({ effects: setChangedLines.of(changedSince(lesson)) });
    }, [view, lesson]);

    return {
        view,
        mount,
        geometry,
        places,
        sync: { state, conflict: state.conflict, flush: useCallback(() => sync.flush(), [sync]) },
        undo: () => view && undo(view),
        redo: () => view && redo(view),
        look: useCallback(() => sync.look(), [sync]),
        goTo: (at: number) => {
            view?.dispatch({
                selection: EditorSelection.cursor(Math.min(at, view.state.doc.length)),
                effects: EditorView.scrollIntoView(Math.min(at, view.state.doc.length), { y: 'center' }),
            });
            view?.focus();
        },
        /** Puts a whole script on the page: in place of what is there, or behind it. One step to undo. */
        bringText: (text: string, how: 'replace' | 'append') => {
            if (!view) {
                return;
            }
            const old = view.state.doc.toString();
            const all = how === 'replace' ? text : `${old.replace(/\s*$/, '')}\n\n${text.replace(/^# .*\n+/, '')}`;
            view.dispatch(replacement(view.state, all));
        },
        /** Writes accepted proposals into the text, the last first, so that places hold. */
        acceptTies: (ties: TieProposal[]) => {
            const changes = ties.map((tie) => ({ from: tie.at, insert: cueFor(tie, view) }));
            view?.dispatch({ changes, userEvent: 'input' });
        },
        /** Of two versions one goes on; the other stays one step of undo away. */
        choose: (which: 'mine' | 'theirs') => {
            const { conflict } = sync.snapshot();
            if (!view || !conflict) {
                return;
            }
            const [kept, other] =
                which === 'mine' ? [conflict.mine, conflict.theirs] : [conflict.theirs, conflict.mine];
            const alone = [Transaction.addToHistory.of(true)];
            view.dispatch(replacement(view.state, other), { annotations: alone });
            view.dispatch(replacement(view.state, kept), { annotations: alone, userEvent: 'input.choose' });
            sync.resolved();
        },
    };
}

/** A slide that comes up at the start of a paragraph stands in a row of its own; inside one, before its sentence. */
function cueFor(tie: TieProposal, view: EditorView | null): string {
    const line = view?.state.doc.lineAt(Math.min(tie.at, view.state.doc.length));
    const cue = writeCue('slide', tie.name);
    return line && line.from === tie.at ? `${cue}\n\n` : `${cue} `;
}
