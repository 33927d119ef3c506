import type { Here, Section } from '../api/types';
import { Icon } from '../ui/Icon';
import { useOthers } from './useTogether';

const names: Record<string, string> = {
    script: 'Script',
    record: 'Record',
    review: 'Review',
    finish: 'Finish',
    handover: 'Hand over',
    captions: 'Captions',
    people: 'People',
};

const whereIs = (one: Here, sections: Section[]): string => {
    const number = sections.findIndex((section) => section.id === one.section_id) + 1;
    if (one.recording) {
        return number > 0 ? `is recording section ${number}` : 'is recording';
    }
    const at = number > 0 && ['record', 'review'].includes(one.room) ? `, section ${number}` : '';
    return `is in ${names[one.room] ?? 'the lesson'}${at}`;
};

/** The others who have the lesson open, and where in it they are. */
export function WhoIsHere({ others, sections }: { others: Here[]; sections: Section[] }) {
    return (
        <p className="who-is-here" role="status" aria-label="Who else is here">
            {others.map((one, n) => (
                <span key={n} className={one.recording ? 'is-recording' : undefined}>
                    <b>{one.you ? 'Another window of yours' : one.name}</b> {whereIs(one, sections)}
                </span>
            ))}
        </p>
    );
}

/** Somebody else records the section one is about to record. */
export function Claimed({ section }: { section: Section | undefined }) {
    const who = useOthers().find((one) => one.recording && !one.you && one.section_id === section?.id);
    return (
        <p className="away-notice" role="status">
            {who && (
                <>
                    <Icon name="exclamation" /> {who.name} is recording this section now. Record another one meanwhile;
                    their take is kept beside yours.
                </>
            )}
        </p>
    );
}
