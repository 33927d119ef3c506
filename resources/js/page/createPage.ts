import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { Annotation, Compartment, EditorState } from '@codemirror/state';
import { EditorView, keymap, placeholder } from '@codemirror/view';
import { mergeSection, moveSection, splitSection } from './commands';
import { changedLines, dressing } from './decorations';
import { geometry, type PageGeometry } from './geometry';
import { pasting } from './paste';
import { placesField } from './places';

/** Marks a change that came from the server: it is not to be saved again. */
export const fromServer = Annotation.define<boolean>();

const searching = new Compartment();
const dressed = new Compartment();
const searchable = new WeakSet<EditorView>();

interface Hooks {
    /** The presenter changed the text. */
    onChange: () => void;
    onGeometry: (geometry: PageGeometry) => void;
    /** For whoever may only look. */
    readOnly?: boolean;
}

/** The typed page: the whole script as continuous text. */
export function createPage(
    parent: HTMLElement,
    text: string,
    { onChange, onGeometry, readOnly = false }: Hooks,
): EditorView {
    return new EditorView({
        parent,
        state: EditorState.create({
            doc: text,
            extensions: [
                history({ newGroupDelay: 400 }),
                EditorView.lineWrapping,
                EditorState.readOnly.of(readOnly),
                EditorView.editable.of(!readOnly),
                EditorView.contentAttributes.of(readOnly ? { tabindex: '0' } : {}),
                EditorView.contentAttributes.of({ 'aria-label': 'Script', spellcheck: 'true' }),
                placeholder('What you will say, in your own words. A heading (##) begins a section.'),
                searching.of([]),
                keymap.of([
                    { key: 'Mod-Enter', run: splitSection },
                    { key: 'Mod-Shift-Backspace', run: mergeSection },
                    { key: 'Alt-ArrowUp', run: moveSection(-1) },
                    { key: 'Alt-ArrowDown', run: moveSection(1) },
                    { key: 'Mod-f', run: (view) => (void find(view), true) },
                    ...historyKeymap,
                    ...defaultKeymap,
                ]),
                placesField,
                dressed.of(dressing),
                changedLines,
                pasting,
                geometry(onGeometry),
                EditorView.updateListener.of((update) => {
                    const own = update.transactions.some((t) => t.docChanged && !t.annotation(fromServer));
                    if (own) {
                        onChange();
                    }
                }),
            ],
        }),
    });
}

/** Shows the text as it is kept, or dressed as a typed page. */
export const showPlain = (view: EditorView, plain: boolean): void =>
    view.dispatch({ effects: dressed.reconfigure(plain ? [] : dressing) });

/** Opens the search; what it needs is loaded when it is first wanted. */
export async function find(view: EditorView): Promise<void> {
    const { openSearchPanel, search, searchKeymap } = await import('@codemirror/search');
    if (!searchable.has(view)) {
        searchable.add(view);
        view.dispatch({ effects: searching.reconfigure([search({ top: true }), keymap.of(searchKeymap)]) });
    }
    openSearchPanel(view);
}
