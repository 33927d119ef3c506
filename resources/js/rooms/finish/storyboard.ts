import type { Assembly, Layer, LessonCues, PlacedCue, Section, Segment, Shot, Silence, WordAt } from '../../api/types';

/** A word of the script, and where in the film it is said. */
export interface BoardWord extends WordAt {
    text: string;
    /** Frame of the film; null while nobody has spoken it. */
    frame: number | null;
    /** It begins a paragraph. */
    begins: boolean;
    /** Cues that stand before it, other than those that open the section. */
    cues: PlacedCue[];
}

/** Something seen, and the words it holds for; or words that nobody has spoken yet. */
export interface BoardRow {
    segment: Segment | null;
    shot: Shot | null;
    /** First frame in the film. */
    frame: number | null;
    frames: number;
    words: BoardWord[];
}

export interface BoardSection {
    section: Section;
    index: number;
    rows: BoardRow[];
    /** Number of its first word among all words. */
    firstWord: number;
    silences: Silence[];
}

const wordsOf = (text: string): string[] => text.match(/\S+/gu) ?? [];

/** The rows of a section: one a change of what is seen, in the order of the film, with the words said meanwhile. */
export function boardRows(plan: Assembly, section: Section, cues: PlacedCue[]): BoardRow[] {
    const rows: BoardRow[] = [];
    for (const segment of plan.segments.filter((one) => one.section_id === section.id)) {
        for (const [index, shot] of segment.shots.entries()) {
            const last = rows.at(-1);
            if (last && arrives(segment.shots[index - 1])) {
                // What is on its way is shown as it is when it is there.
                last.shot = shot;
                last.frames += shot.frames;
            } else {
                const frame = segment.start_frame + shot.offset;
                rows.push({ segment, shot, frame, frames: shot.frames, words: [] });
            }
        }
    }
    // Nobody speaks a card: its words stand on it as long as it does, also while it counts.
    const card = section.card ? (rows[0] ?? null) : null;
    if (card) {
        card.frames = rows.splice(1).reduce((sum, row) => sum + row.frames, card.frames);
    }
    let before = null as BoardRow | null;
    for (const line of section.lines) {
        const spoken = plan.segments
            .filter((one) => one.section_id === section.id)
            .flatMap((segment) => segment.words.map((words) => ({ segment, ...words })))
            .find((words) => words.line === line.id);
        const segment = spoken?.segment;
        const paragraph = section.lines[line.number - 2]?.paragraph;
        for (const [word, text] of wordsOf(line.text).entries()) {
            const frame = card?.frame ?? (spoken ? spoken.segment.start_frame + (spoken.frames[word] ?? 0) : null);
            const found: BoardRow | null =
                card || frame === null
                    ? card
                    : (rows.findLast((row) => row.segment === segment && row.frame !== null && row.frame <= frame) ??
                      null);
            let row: BoardRow | null = found ?? (before?.shot === null ? before : null);
            if (!row) {
                row = { segment: null, shot: null, frame: null, frames: 0, words: [] };
                rows.splice(before ? rows.indexOf(before) + 1 : 0, 0, row);
            }
            row.words.push({
                line: line.id,
                word,
                text,
                frame,
                begins: word === 0 && line.paragraph !== paragraph,
                cues: cues.filter((cue) => cue.line === line.id && cue.word === word && !opens(section, cue)),
            });
            before = row;
        }
    }
    return rows.reduce<BoardRow[]>((kept, row) => {
        const last = kept.at(-1);
        if (last?.shot && row.shot && look(last.shot) === look(row.shot)) {
            // Another take goes on with the same picture.
            last.words.push(...row.words);
            last.frames += row.frames;
            return kept;
        }
        return [...kept, row];
    }, []);
}

/** What decides whether two pictures look the same, whoever's camera it is. */
const look = ({ picture }: Shot): string =>
    JSON.stringify([
        picture.ground,
        // How near a presenter is framed is no other picture.
        picture.layers?.map(({ shows, url, rect, edge, crop }) => [
            shows,
            url,
            rect,
            edge,
            shows === 'camera' ? null : crop,
        ]),
    ]);

/** Whether something moves in a shot: in the next one it is there, or nearer. */
const arrives = (shot: Shot | undefined): boolean =>
    shot?.picture.layers?.some(({ motion }) => Boolean(motion)) ?? false;

/** Whether a cue stands before the section's first word. */
export const opens = (section: Section, cue: PlacedCue): boolean =>
    cue.word === 0 && cue.line === (section.lines[0]?.id ?? null);

/** The place behind the last of some words; null at the section's end. */
export function placeBehind(section: Section, last: WordAt): WordAt | null {
    const index = section.lines.findIndex((line) => line.id === last.line);
    const line = section.lines[index];
    if (line && last.word + 1 < wordsOf(line.text).length) {
        return { line: last.line, word: last.word + 1 };
    }
    const next = section.lines[index + 1];
    return next ? { line: next.id, word: 0 } : null;
}

/** Whether a layer is what zooms and emphasis belong to. */
export const isStage = (shows: Layer['shows']): boolean => ['slide', 'board', 'screen', 'film'].includes(shows);

/** What is seen of a picture, in a few words. */
export function pictureSays({ picture }: Pick<Shot, 'picture'>): string {
    const of = (...kinds: string[]) => picture.layers.find((layer) => kinds.includes(layer.shows));
    const stage = of('slide', 'board', 'screen', 'film', 'card');
    const camera = of('camera');
    if (!stage) {
        return camera ? 'Camera alone' : 'Nothing but the ground';
    }
    if (stage.shows === 'card') {
        return 'Card';
    }
    const names = { slide: 'Slide', board: 'Board', screen: 'Screen', film: 'Film' };
    const name = names[stage.shows as keyof typeof names];
    if (!camera) {
        return `${name} alone`;
    }
    const [a, b] = [stage.rect, camera.rect];
    const overlaps = b.x < a.x + a.width && a.x < b.x + b.width && b.y < a.y + a.height && a.y < b.y + b.height;
    return overlaps ? `${name} with inset` : `${name} beside camera`;
}

/** Cues with what the film tells of them: that one does nothing where it stands. */
export function withProblems(cues: LessonCues | undefined, plan: Assembly | undefined): LessonCues | undefined {
    if (!cues || !plan || plan.idle_cues.length === 0) {
        return cues;
    }
    const told = (id: string, cue: PlacedCue) =>
        cue.problem ?? plan.idle_cues.find((one) => one.section_id === id && one.number === cue.number)?.says ?? null;
    const sections = Object.entries(cues.sections).map(([id, own]) => [
        id,
        own.map((cue) => ({ ...cue, problem: told(id, cue) })),
    ]);
    return { ...cues, sections: Object.fromEntries(sections) };
}
