import type { CaptionAt, LessonCaptions, Section } from '../../api/types';

/** A caption and the section in which it is said. */
export interface Placed {
    section: Section;
    /** Of the section, counted from 0. */
    position: number;
    caption: CaptionAt;
}

/** Names a caption by the words it is for: what was typed for it is for no other. */
export const keyOf = ({ section, caption }: Placed): string => `${section.id}/${caption.number}/${caption.was}`;

/** Names a caption by where it stands, whatever its words are. */
export const placeOf = ({ section, caption }: Placed): string => `${section.id}/${caption.number}`;

/** All captions in the order of the film. */
export function placedOf(captions: LessonCaptions | undefined, sections: Section[]): Placed[] {
    return (captions?.sections ?? []).flatMap(({ section_id, captions: own }) => {
        const position = sections.findIndex(({ id }) => id === section_id);
        const section = sections[position];
        return section ? own.map((caption) => ({ section, position, caption })) : [];
    });
}

/** What a caption says in another language; empty while nobody has said it. */
export const textIn = (caption: CaptionAt, language: string): string =>
    caption.translated.find((one) => one.language === language)?.text ?? '';
