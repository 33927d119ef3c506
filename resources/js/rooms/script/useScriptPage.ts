import { redo, undo } from '@codemirror/commands';
import { type ChangeSet, EditorSelection, StateEffect, Transaction } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { ApiProblem, api } from '../../api/client';
import { refreshLesson } from '../../api/lesson';
import type { Lesson, ScriptText, TieProposal } from '../../api/types';
import { createPage, fromServer } from '../../page/createPage';
import { setChangedLines } from '../../page/decorations';
import type { PageGeometry } from '../../page/geometry';
import { mapped, type Places, setPlaces } from '../../page/places';
import { replacement } from '../../page/replace';
import { ScriptSync } from '../../page/ScriptSync';
import { writeCue } from '../../page/syntax';
import { changedSince } from './changed';
import { scriptDrafts } from './drafts';

const nothingSeen: PageGeometry = { sections: [], lines: new Map(), height: 0 };
const draftEveryMs = 800;

const placesOf = (script: ScriptText): Places => ({
    sections: script.sections.map(({ id, from, until }) => ({ id, from, until })),
    lines: script.sections.flatMap((section) => section.lines),
});

/** The page, its way to the server, and where things stand on it. */
export function useScriptPage(lesson: Lesson, script: ScriptText, scrollTo: string | undefined) {
    const client = useQueryClient();
    const drafts = useMemo(() => scriptDrafts(lesson.id), [lesson.id]);
    const [view, setView] = useState<EditorView | null>(null);
    const [geometry, setGeometry] = useState(nothingSeen);
    const [places, setServerPlaces] = useState(script);
    const editor = useRef<EditorView | null>(null);
    /** What was typed since the text was last sent: the answer's places are moved along it. */
    const since = useRef<ChangeSet | null>(null);

    const sync = useMemo(() => {
        const show = (fresh: ScriptText) => {
            void refreshLesson(client, lesson.id);
            const page = editor.current;
            if (!page) {
                return;
            }
            const moved =
                since.current && !since.current.empty ? mapped(placesOf(fresh), since.current) : placesOf(fresh);
            setServerPlaces(fresh);
            page.dispatch({ effects: setPlaces.of(moved) });
        };
        return new ScriptSync<ScriptText>(
            script,
            {
                save: (text, revision) => {
                    since.current = null;
                    return api.put<ScriptText>(`lessons/${lesson.id}/script`, { text, revision });
                },
                load: () => api.get<ScriptText>(`lessons/${lesson.id}/script`),
                answerOf: (error) =>
                    error instanceof ApiProblem
                        ? {
                              status: error.status,
                              says: error.message,
                              text: error.body.text as string | undefined,
                              revision: error.body.revision as number | undefined,
                          }
                        : null,
                drafts,
                onScript: (fresh) => {
                    const page = editor.current;
                    const isNews = page && since.current === null && page.state.doc.toString() !== fresh.text;
                    if (page && isNews) {
                        page.dispatch(replacement(page.state, fresh.text), { annotations: [fromServer.of(true)] });
                    }
                    show(fresh);
                },
            },
            () => editor.current?.state.doc.toString() ?? script.text,
        );
        // One way to the server for as long as the page is open.
    }, [lesson.id, client, drafts]);
    const state = useSyncExternalStore(sync.subscribe, sync.snapshot);

    const mount = useCallback(
        (parent: HTMLElement | null) => {
            if (!parent) {
                return;
            }
            const opening = ScriptSync.opening(script, drafts.read());
            const page = createPage(parent, script.text, {
                onChange: () => sync.changed(),
                onGeometry: setGeometry,
            });
            page.dispatch({ effects: setPlaces.of(placesOf(script)) });
            editor.current = page;
            setView(page);
            if (opening.unsaved) {
                page.dispatch(replacement(page.state, opening.text));
            } else if (opening.conflict) {
                sync.collide(drafts.read()?.text ?? '', script);
            }
            const blank = script.sections.length === 1 && script.sections[0]?.lines.length === 0;
            if (blank && /## *\n?$/.test(script.text)) {
                // An empty lesson: its first heading is what to write next.
                const heading = script.text.lastIndexOf('## ') + 3;
                page.dispatch({ selection: EditorSelection.cursor(heading) });
                page.focus();
            }
            if (scrollTo) {
                const at = script.sections.findIndex((section) => section.id === scrollTo);
                const place = at > 0 ? script.sections[at] : undefined;
                if (place) {
                    page.dispatch({ effects: EditorView.scrollIntoView(place.from, { y: 'start', yMargin: 24 }) });
                }
            }
            return () => {
                sync.close();
                page.destroy();
                editor.current = null;
            };
        },
        // Mounted once; what it starts with does not change under it.
        [sync],
    );

    useEffect(() => {
        const page = view;
        if (!page) {
            return;
        }
        // Changes are gathered from the page itself, so that none is missed between two saves.
        const gather = EditorView.updateListener.of((update) => {
            if (update.docChanged && !update.transactions.some((t) => t.annotation(fromServer))) {
                since.current = since.current ? since.current.compose(update.changes) : update.changes;
            }
        });
        page.dispatch({ effects: StateEffect.appendConfig.of(gather) });
        const timer = setInterval(() => sync.keepDraft(), draftEveryMs);
        const warn = (event: BeforeUnloadEvent) => {
            sync.keepDraft();
            if (sync.snapshot().saved !== 'saved') {
                void sync.flush();
                event.preventDefault();
            }
        };
        const focus = () => void sync.look();
        window.addEventListener('beforeunload', warn);
        window.addEventListener('focus', focus);
        window.addEventListener('online', focus);
        return () => {
            clearInterval(timer);
            window.removeEventListener('beforeunload', warn);
            window.removeEventListener('focus', focus);
            window.removeEventListener('online', focus);
        };
    }, [view, sync]);

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
