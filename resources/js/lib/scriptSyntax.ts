/** What of a script the page has to see for itself while it is typed; the server reads the rest (core/Script). */

export type CueKind =
    | 'slide'
    | 'pause'
    | 'layout'
    | 'note'
    | 'target'
    | 'card'
    | 'screen'
    | 'board'
    | 'keys'
    | 'join'
    | 'zoom'
    | 'emphasis'
    | 'label'
    | 'picture'
    | 'name'
    | 'music'
    | 'speed'
    | 'background'
    | 'step'
    | 'camera alone';

export interface CueAt {
    kind: CueKind;
    value: string;
    /** Places in the text in UTF-16 units, as CodeMirror counts. */
    from: number;
    to: number;
}

/** The same pattern as `OpenReel\Core\Script\Cue::PATTERN`. */
const words =
    'slide|pause|layout|note|target|card|screen|board|keys|join|zoom|emphasis|label|picture|name|music|speed|' +
    'background|step|camera\\s+alone';
const cue = new RegExp(`(?<!\\\\)\\[(${words})(?:\\s*:\\s*|\\s+|(?=\\]))([^[\\]\\r\\n]*)\\]`, 'gi');

export function cuesIn(text: string, offset = 0): CueAt[] {
    return [...text.matchAll(cue)].map((match) => ({
        kind: match[1]?.toLowerCase().replace(/\s+/g, ' ') as CueKind,
        value: (match[2] ?? '').trim(),
        from: offset + match.index,
        to: offset + match.index + match[0].length,
    }));
}

/** A heading's marks with the space behind them, and whether it is the highest. */
export function headingMark(row: string): { length: number; level: 1 | 2 } | null {
    const match = /^(#{1,2})(?!#)[ \t]*/.exec(row);
    return match ? { length: match[0].length, level: match[1]?.length === 1 ? 1 : 2 } : null;
}

export function writeCue(kind: CueKind, value = ''): string {
    const clean = value.replace(/[[\]\s]+/g, ' ').trim();
    if (clean === '') {
        return `[${kind}]`;
    }
    return kind === 'pause' || kind === 'target' ? `[${kind} ${clean}]` : `[${kind}: ${clean}]`;
}

/** How a cue is shown in the text: a word for its kind, and what it says. */
export function cueLabel({ kind, value }: Pick<CueAt, 'kind' | 'value'>): string {
    switch (kind) {
        case 'slide':
            return value === '' ? 'next slide' : `slide ${value}`;
        case 'pause':
            return `pause ${value}`;
        case 'layout':
            return value;
        case 'note':
            return value === '' ? 'note' : `note: ${value}`;
        case 'target':
            return `target ${value}`;
        case 'card':
            return `${(value.split(',')[0] ?? '').trim()} card`;
        case 'screen':
            return value === '' ? 'screen' : `screen: ${value}`;
        case 'board':
            return value === '' ? 'board' : `board, ${value}`;
        case 'keys':
            return `keys ${value}`;
        case 'join':
            return value;
        case 'zoom':
            return /^out\b/i.test(value) ? 'zoom out' : 'zoom in';
        case 'emphasis':
            return value.toLowerCase() === 'none' ? 'end of emphasis' : (value.split(' ')[0] ?? '').toLowerCase();
        case 'label':
        case 'picture':
            return `${kind}: ${value.replace(/,\s*at\s[^]*$/i, '')}`;
        case 'name':
            return /^[^,]/.test(value) ? `name: ${value.split(',')[0]}` : 'name';
        case 'music':
            return value.toLowerCase() === 'none' ? 'end of music' : `music: ${(value.split(',')[0] ?? '').trim()}`;
        case 'step':
            return value === '' ? 'next step' : `step ${value}`;
        case 'background':
            return `behind: ${value.toLowerCase() === 'usual' ? 'as usual' : value}`;
        case 'speed':
            return value.toLowerCase() === 'cut' ? 'silence cut' : `silence ${value}`;
        case 'camera alone':
            return 'camera alone';
    }
}
