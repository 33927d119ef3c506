import { type EditorState, type Range, RangeSet, StateEffect, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, ViewPlugin, type ViewUpdate, WidgetType } from '@codemirror/view';
import { placesField } from './places';
import { type CueAt, cueLabel, cuesIn, headingMark } from '../lib/scriptSyntax';

/** A cue as a small mark in the text. Where the cursor stands, its text shows instead and can be changed. */
class CueMark extends WidgetType {
    constructor(private readonly cue: CueAt) {
        super();
    }

    override eq(other: CueMark): boolean {
        return other.cue.kind === this.cue.kind && other.cue.value === this.cue.value;
    }

    override toDOM(): HTMLElement {
        const mark = document.createElement('span');
        mark.className = `cue cue-${this.cue.kind}`;
        mark.textContent = cueLabel(this.cue);
        return mark;
    }

    override ignoreEvent(): boolean {
        return false;
    }
}

const title = Decoration.line({ class: 'page-title' });
const heading = Decoration.line({ class: 'page-heading' });
const gap = Decoration.line({ class: 'page-gap' });
const emptyHeading = Decoration.line({ class: 'page-heading page-heading-empty' });
const marks = Decoration.mark({ class: 'page-marks' });
const hidden = Decoration.replace({});

const isTouched = (state: EditorState, from: number, to: number) =>
    state.selection.ranges.some((range) => range.from <= to && range.to >= from);

/** Headings and cues of what can be seen; the rest of a long script is not looked at. */
function dress(view: EditorView): { all: DecorationSet; atoms: DecorationSet } {
    const all: Range<Decoration>[] = [];
    const atoms: Range<Decoration>[] = [];
    const { state } = view;
    const titleAt = firstHeading(state);
    for (const { from, to } of view.visibleRanges) {
        for (let at = from; at <= to;) {
            const line = state.doc.lineAt(at);
            const mark = headingMark(line.text);
            if (mark) {
                const isTitle = mark.level === 1 && line.from === titleAt;
                const words = line.text.slice(mark.length).trim();
                all.push((isTitle ? title : words === '' ? emptyHeading : heading).range(line.from));
                const stretch =
                    view.hasFocus && isTouched(state, line.from, line.to)
                        ? marks.range(line.from, line.from + mark.length)
                        : hidden.range(line.from, line.from + mark.length);
                all.push(stretch);
            }
            if (line.length === 0) {
                all.push(gap.range(line.from));
            }
            for (const cue of line.text.includes('[') ? cuesIn(line.text, line.from) : []) {
                if (view.hasFocus && isTouched(state, cue.from, cue.to)) {
                    all.push(Decoration.mark({ class: 'cue-open' }).range(cue.from, cue.to));
                } else {
                    const shown = Decoration.replace({ widget: new CueMark(cue) }).range(cue.from, cue.to);
                    all.push(shown);
                    atoms.push(shown);
                }
            }
            at = line.to + 1;
        }
    }
    return { all: Decoration.set(all, true), atoms: RangeSet.of(atoms, true) };
}

/** Only a heading of the highest level before all others is the lesson's title. */
function firstHeading(state: EditorState): number {
    for (let number = 1; number <= Math.min(state.doc.lines, 40); number++) {
        const line = state.doc.line(number);
        const mark = headingMark(line.text);
        if (mark) {
            return mark.level === 1 ? line.from : -1;
        }
        if (line.text.replace(/\[[^\]]*\]/g, '').trim() !== '') {
            return -1;
        }
    }
    return -1;
}

export const dressing = ViewPlugin.fromClass(
    class {
        all: DecorationSet;
        atoms: DecorationSet;

        constructor(view: EditorView) {
            ({ all: this.all, atoms: this.atoms } = dress(view));
        }

        update(update: ViewUpdate): void {
            if (update.docChanged || update.viewportChanged || update.selectionSet || update.focusChanged) {
                ({ all: this.all, atoms: this.atoms } = dress(update.view));
            }
        }
    },
    {
        decorations: (plugin) => plugin.all,
        provide: (plugin) => EditorView.atomicRanges.of((view) => view.plugin(plugin)?.atoms ?? Decoration.none),
    },
);

/** Lines whose words changed after they were recorded, with the old words at hand. */
export interface ChangedLine {
    line: string;
    says: string;
}

export const setChangedLines = StateEffect.define<ChangedLine[]>();

const changedField = StateField.define<ChangedLine[]>({
    create: () => [],
    update: (lines, transaction) =>
        (transaction.effects.find((effect) => effect.is(setChangedLines))?.value as ChangedLine[] | undefined) ?? lines,
});

export const changedLines = [
    changedField,
    EditorView.decorations.compute([changedField, placesField], (state) => {
        const places = new Map(state.field(placesField).lines.map((line) => [line.id, line]));
        return Decoration.set(
            state.field(changedField).flatMap(({ line, says }) => {
                const at = places.get(line);
                return at && at.from < at.until && at.until <= state.doc.length
                    ? [Decoration.mark({ class: 'line-changed', attributes: { title: says } }).range(at.from, at.until)]
                    : [];
            }),
            true,
        );
    }),
];
