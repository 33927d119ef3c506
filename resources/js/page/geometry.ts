import { EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import { placesField, type Stretch } from './places';

export interface Extent {
    id: string;
    top: number;
    bottom: number;
}

/** Where the sections and lines that can be seen stand on the page, in pixels from its top. */
export interface PageGeometry {
    sections: (Extent & { index: number })[];
    lines: Map<string, Extent>;
    height: number;
}

/** Tells where things stand whenever that changes, once a frame, and only for what can be seen. */
export const geometry = (tell: (geometry: PageGeometry) => void) =>
    ViewPlugin.fromClass(
        class {
            constructor(view: EditorView) {
                this.measure(view);
            }

            update(update: ViewUpdate): void {
                if (
                    update.docChanged ||
                    update.geometryChanged ||
                    update.viewportChanged ||
                    update.transactions.some((t) => t.effects.length > 0)
                ) {
                    this.measure(update.view);
                }
            }

            private measure(view: EditorView): void {
                view.requestMeasure({ key: this, read: () => read(view), write: tell });
            }
        },
    );

function read(view: EditorView): PageGeometry {
    const { sections, lines } = view.state.field(placesField);
    const { from, to } = view.viewport;
    const inside = (one: Stretch) => one.until > from && one.from <= to && one.from <= view.state.doc.length;
    const top = view.dom.getBoundingClientRect().top;
    const base = view.documentTop - top;
    return {
        sections: sections.flatMap((one, index) => {
            if (!inside(one)) {
                return [];
            }
            const last = Math.max(one.from, Math.min(view.state.doc.length, one.until) - 1);
            return [
                {
                    id: one.id,
                    index,
                    top: base + view.lineBlockAt(one.from).top,
                    bottom: base + view.lineBlockAt(last).bottom,
                },
            ];
        }),
        lines: new Map(
            lines.flatMap((one) => {
                const start = inside(one) ? view.coordsAtPos(one.from, 1) : null;
                const end = start && view.coordsAtPos(Math.min(view.state.doc.length, one.until), -1);
                return start && end ? [[one.id, { id: one.id, top: start.top - top, bottom: end.bottom - top }]] : [];
            }),
        ),
        height: view.contentHeight,
    };
}
