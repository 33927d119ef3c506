import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useContinuity, useAlignment } from '../../api/lesson';
import type { Cleaning, ContinuityChange, Flag, Meeting, Section, Take } from '../../api/types';
import { saysOf } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';
import type { Playback } from './useTakePlayback';

interface Props {
    section: Section;
    take: Take;
    cleaning: Cleaning;
    playback: Playback;
    /** Plays the section from a line on, as the film will have it. */
    onJoin: (line: string | null) => void;
}

/** So many are shown; the others when they are asked for. */
const SHOWN = 2;

const seen: Flag[] = ['camera-black', 'camera-frozen'];

const changeSays: Record<ContinuityChange, string> = {
    louder: 'the voice is nearer to the microphone',
    quieter: 'the voice is further from the microphone',
    'more-noise': 'the room is louder',
    'less-noise': 'the room is quieter',
    brighter: 'the picture is brighter',
    darker: 'the picture is darker',
    'other-colour': 'the light has another colour',
    'other-place': 'you sit elsewhere',
    nearer: 'you sit nearer to the camera',
    further: 'you sit further from the camera',
};

/** What to look at in a take, the worst first, each where it is heard or seen best. */
export function TakeFlags({ section, take, cleaning, playback, onJoin }: Props) {
    const { data: heard } = useAlignment(take);
    const { data: meetings } = useContinuity(section);
    const [all, setAll] = useState(false);
    const rows = [
        ...take.flags
            .filter((flag) => !isMended(flag, cleaning))
            .map((flag) => {
                const place = heard?.places[flag];
                return {
                    key: flag as string,
                    says: saysOf(flag),
                    does: seen.includes(flag) ? 'See it' : 'Hear it',
                    act: place && (() => playback.hear(place)),
                };
            }),
        ...(meetings ?? [])
            .filter((meeting) => meeting.take_id === take.id)
            .map((meeting) => ({
                key: meeting.before.take_id,
                says: `${joinSays(section, meeting)} Use one of them for both, or record the shorter part again.`,
                does: 'Watch the join',
                act: () => onJoin(meeting.line),
            })),
    ];
    const shown = all ? rows : rows.slice(0, SHOWN);
    if (rows.length === 0) {
        return null;
    }
    return (
        <ul className="flags" aria-label="To look at in this take">
            {shown.map(({ key, says, does, act }) => (
                <li key={key} className="flag">
                    <Icon name="exclamation" /> <span>{says}</span>
                    {act && (
                        <Button size="sm" variant="quiet" onClick={act}>
                            {does}
                        </Button>
                    )}
                </li>
            ))}
            {rows.length > shown.length && (
                <li>
                    <Button size="sm" variant="quiet" onClick={() => setAll(true)}>
                        {rows.length - shown.length} more to look at
                    </Button>
                </li>
            )}
        </ul>
    );
}

/** What is cleaned need not be looked at any more. */
const isMended = (flag: Flag, cleaning: Cleaning): boolean =>
    (flag === 'noisy' && cleaning.noise !== 'off') || (flag === 'mains-hum' && cleaning.hum);

const joinSays = (section: Section, { before, changes }: Meeting) =>
    `Behind ${named(section, before)}, ${changes.map((one) => changeSays[one]).join(', ')}.`;

const named = (section: Section, { number, section_id }: { number: number; section_id: string }) =>
    section_id === section.id ? `take ${number}` : 'the section before';
