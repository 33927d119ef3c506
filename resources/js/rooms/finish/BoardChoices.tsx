import Form from 'react-bootstrap/Form';
import type { PlacedCue, Section, Silence } from '../../api/types';
import { choicesOf } from '../../ui/style/words';
import { opens } from './storyboard';

const speeds = ['2 x', '4 x', '8 x', '16 x', 'cut'];

/** How a section meets the one before it: as its own cue says, or else the house style. */
export function JoinChoice({
    section,
    index,
    cues,
    usual,
    onJoin,
}: {
    section: Section;
    index: number;
    cues: PlacedCue[];
    /** How it meets it by the house style. */
    usual: string;
    onJoin: (section: Section, join: string, own: PlacedCue | null) => void;
}) {
    const own = cues.find((cue) => cue.kind === 'join' && (cue.line === null || opens(section, cue))) ?? null;
    const joins = choicesOf('join').map(String);
    const offered = own === null || joins.includes(own.value) ? joins : [...joins, own.value];
    return (
        <label className="join-choice">
            <span className="visually-hidden">How section {index + 1} meets the one before it</span>
            <Form.Select
                size="sm"
                value={own?.value ?? ''}
                onChange={(event) => onJoin(section, event.target.value, own)}
            >
                <option value="">{own ? 'house style' : `usual: ${usual}`}</option>
                {offered.map((join) => (
                    <option key={join} value={join}>
                        {join}
                    </option>
                ))}
            </Form.Select>
        </label>
    );
}

/** From which length on it is suggested that a silence of a screen runs faster. */
const LONG_MS = 5000;

/** How a silence is gone through. */
export function SilenceChoice({
    silence,
    own,
    onSpeed,
}: {
    silence: Silence;
    own: PlacedCue | null;
    onSpeed: (speed: string) => void;
}) {
    const length = `${(silence.length_ms / 1000).toFixed(1)} s`;
    const isSuggested = silence.length_ms > LONG_MS && !own;
    const offered = own === null || speeds.includes(own.value) ? speeds : [...speeds, own.value];
    return (
        <label className={isSuggested ? 'silence-choice is-suggested' : 'silence-choice'}>
            <span>{isSuggested ? `${length} without a word: run it faster?` : `${length} without a word`}</span>
            <Form.Select
                size="sm"
                aria-label={`How the silence of ${length} is gone through`}
                value={own?.value ?? ''}
                onChange={(event) => onSpeed(event.target.value)}
            >
                <option value="">as recorded</option>
                {offered.map((speed) => (
                    <option key={speed} value={speed}>
                        {speed === 'cut' ? 'cut out' : `${Number.parseInt(speed, 10)} times as fast`}
                    </option>
                ))}
            </Form.Select>
        </label>
    );
}
