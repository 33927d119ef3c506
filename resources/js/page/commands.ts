import { EditorSelection, type EditorState, type TransactionSpec } from '@codemirror/state';
import type { Command, EditorView } from '@codemirror/view';
import { type CueKind, cuesIn, headingMark, writeCue } from '../lib/scriptSyntax';

/** A section of the text as it stands now. */
export interface SectionAt {
    from: number;
    to: number;
    /** Where its words start, below the heading. */
    body: number;
}

/** The sections of the text: what each heading opens, and words before the first heading. */
export function sectionsOf(state: EditorState): SectionAt[] {
    const found: SectionAt[] = [];
    let hasTitle = false;
    for (let number = 1; number <= state.doc.lines; number++) {
        const line = state.doc.line(number);
        const mark = headingMark(line.text);
        if (mark && mark.level === 1 && !hasTitle && found.length === 0 && line.text.slice(mark.length).trim() !== '') {
            hasTitle = true;
        } else if (mark) {
            found.push({ from: line.from, to: state.doc.length, body: Math.min(state.doc.length, line.to + 1) });
        } else if (found.length === 0 && opensSection(line.text)) {
            found.push({ from: line.from, to: state.doc.length, body: line.from });
        }
    }
    found.forEach((section, index) => {
        section.to = found[index + 1]?.from ?? section.to;
    });
    return found;
}

/** Before the first heading only notes and the lesson's target stand outside every section. */
function opensSection(row: string): boolean {
    const cues = cuesIn(row);
    const rest = cues.reduceRight((text, cue) => text.slice(0, cue.from) + text.slice(cue.to), row);
    return rest.trim() !== '' || cues.some((cue) => cue.kind !== 'target' && cue.kind !== 'note');
}

export function sectionAt(state: EditorState, at: number): number {
    return sectionsOf(state).findLastIndex((section) => section.from <= at);
}

/** A new heading where the cursor stands: what comes behind it becomes the new section. */
export const splitSection: Command = (view) => {
    const { state } = view;
    const { from, to } = state.selection.main;
    const before = state.doc.sliceString(Math.max(0, from - 200), from);
    const lead = from === 0 || /\n\s*\n\s*$/.test(before) ? '' : '\n\n';
    const after = /^\s*/.exec(state.doc.sliceString(to, to + 200))?.[0].length ?? 0;
    const insert = `${lead}## \n\n`;
    view.dispatch({
        changes: { from, to: to + after, insert },
        selection: EditorSelection.cursor(from + lead.length + 3),
        scrollIntoView: true,
        userEvent: 'input',
    });
    return true;
};

/** The section's heading goes, its words join the section before. */
export const mergeSection: Command = (view) => {
    const { state } = view;
    const sections = sectionsOf(state);
    const index = sectionAt(state, state.selection.main.head);
    const section = sections[index];
    if (!section || index === 0 || section.body === section.from) {
        return false;
    }
    const text = state.doc.sliceString(section.from, section.to);
    const gap = /^[^\n]*\n?\s*/.exec(text)?.[0].length ?? 0;
    view.dispatch({
        changes: { from: section.from, to: section.from + gap, insert: '' },
        selection: EditorSelection.cursor(section.from),
        scrollIntoView: true,
        userEvent: 'delete',
    });
    return true;
};

export const moveSection =
    (by: -1 | 1): Command =>
    (view) => {
        const index = sectionAt(view.state, view.state.selection.main.head);
        return index >= 0 && moveTo(view, index, index + by);
    };

/** Puts one section where another stands now, as one step to undo. */
export function moveTo(view: EditorView, index: number, target: number): boolean {
    const { state } = view;
    const sections = sectionsOf(state);
    const moved = sections[index];
    if (!moved || !sections[target] || index === target) {
        return false;
    }
    const order = sections.map((section) => part(state, section));
    const [taken = ''] = order.splice(index, 1);
    order.splice(target, 0, taken);
    const first = Math.min(index, target);
    const last = Math.max(index, target);
    const from = sections[first]?.from ?? 0;
    const to = sections[last]?.to ?? state.doc.length;
    const insert = order.slice(first, last + 1).join('');
    const before = order.slice(first, target).join('').length;
    const within = Math.min(state.selection.main.head - moved.from, taken.length);
    view.dispatch({
        changes: { from, to, insert },
        selection: EditorSelection.cursor(from + before + Math.max(0, within)),
        scrollIntoView: true,
        userEvent: 'move',
    });
    return true;
}

/** A section that can stand anywhere: with a heading, ended by an empty row. */
function part(state: EditorState, section: SectionAt): string {
    const text = state.doc.sliceString(section.from, section.to).replace(/\n*$/, '\n\n');
    return section.body === section.from ? `## \n\n${text}` : text;
}

export function removeSection(view: EditorView, index: number): boolean {
    const section = sectionsOf(view.state)[index];
    if (!section) {
        return false;
    }
    view.dispatch({
        changes: { from: section.from, to: section.to, insert: '' },
        userEvent: 'delete',
        scrollIntoView: true,
    });
    return true;
}

/** A cue where the cursor stands, with a space to the words around it. */
export function insertCue(view: EditorView, kind: CueKind, value = ''): void {
    const { from, to } = view.state.selection.main;
    const around = view.state.doc.sliceString(Math.max(0, from - 1), Math.min(view.state.doc.length, to + 1));
    const before = from > 0 && !/\s/.test(around[0] ?? '') ? ' ' : '';
    const after = to < view.state.doc.length && !/\s/.test(around.at(-1) ?? '') ? ' ' : '';
    const insert = before + writeCue(kind, value) + after;
    view.dispatch({
        changes: { from, to, insert },
        selection: EditorSelection.cursor(from + insert.length),
        scrollIntoView: true,
        userEvent: 'input',
    });
    view.focus();
}

/** Cues of one kind at the start of a section are replaced by one, or taken away. */
export function openingCue(state: EditorState, index: number, kind: CueKind, value: string | null): TransactionSpec {
    const section = sectionsOf(state)[index];
    if (!section) {
        return {};
    }
    const text = state.doc.sliceString(section.body, section.to);
    // Up to the first word: white space and cues.
    const opening = /^(?:\s|\[[^\]\n]*\])*/.exec(text)?.[0] ?? '';
    const kept = cuesIn(opening)
        .filter((cue) => cue.kind !== kind)
        .map((cue) => opening.slice(cue.from, cue.to));
    const cues = [...(value === null ? [] : [writeCue(kind, value)]), ...kept];
    const rest = text.slice(opening.length);
    const lead = section.body === section.from ? '' : '\n';
    const body = cues.length === 0 ? lead : `${lead}${cues.join(' ')}\n\n`;
    const missingBreak =
        section.body === state.doc.length && section.body > 0 && state.doc.sliceString(section.body - 1) !== '\n'
            ? '\n'
            : '';
    return {
        changes: {
            from: section.body,
            to: section.body + opening.length,
            insert: missingBreak + (rest === '' ? body.replace(/\n+$/, '\n') : body),
        },
        userEvent: 'input',
    };
}
