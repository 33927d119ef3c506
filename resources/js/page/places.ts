import { type ChangeDesc, StateEffect, StateField } from '@codemirror/state';

export interface Stretch {
    id: string;
    from: number;
    until: number;
}

/** Where the server found sections and lines; moved along with the text while it is typed. */
export interface Places {
    sections: Stretch[];
    lines: Stretch[];
}

export const setPlaces = StateEffect.define<Places>();

export const placesField = StateField.define<Places>({
    create: () => ({ sections: [], lines: [] }),
    update(places, transaction) {
        const fresh = transaction.effects.find((effect) => effect.is(setPlaces));
        if (fresh) {
            return fresh.value as Places;
        }
        return transaction.docChanged ? mapped(places, transaction.changes) : places;
    },
});

/** The same places after a change of the text. */
export function mapped(places: Places, changes: ChangeDesc): Places {
    const move = (all: Stretch[]) =>
        all.map((one) => ({
            id: one.id,
            from: changes.mapPos(one.from, -1),
            until: changes.mapPos(one.until, 1),
        }));
    return { sections: move(places.sections), lines: move(places.lines) };
}
