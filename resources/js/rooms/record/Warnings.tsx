import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import type { Warning } from '../../recorder/warnings';
import { Icon } from '../../ui/Icon';

interface Props {
    notice: string | null;
    /** Seconds until the take stops by itself. */
    stopsIn: number | null;
    muted: boolean;
    /** The most urgent first. */
    warnings: Warning[];
    share: (() => void) | null;
}

/** What the presenter should know now: one sentence, and how many more there are. */
export function Warnings({ notice, stopsIn, muted, warnings, share }: Props) {
    const [first, ...more] = [
        ...(stopsIn === null ? [] : [`The take stops by itself in ${stopsIn} s. Speak, or press a key to go on.`]),
        ...(muted ? ['The microphone is silent while you hold the key.'] : []),
        ...(notice ? [notice] : []),
        ...warnings.map((warning) => warning.says),
    ];
    return (
        <div className="record-warning" role="status" aria-live="assertive">
            {first && (
                <Alert variant="warning" className="mb-0">
                    <Icon name="exclamation" /> {first}
                    {share && (
                        <Button size="sm" variant="quiet" className="ms-2" onClick={share}>
                            Share a screen
                        </Button>
                    )}
                    {more.length > 0 && (
                        <span className="soft" title={more.join('\n')}>
                            {' '}
                            And {more.length} more.
                        </span>
                    )}
                </Alert>
            )}
            {!first && share && (
                <Alert variant="warning" className="mb-0">
                    The screen you chose has to be shared first.
                    <Button size="sm" variant="quiet" className="ms-2" onClick={share}>
                        Share a screen
                    </Button>
                </Alert>
            )}
        </div>
    );
}
