import Button from 'react-bootstrap/Button';
import type { Take, Verdict } from '../../api/types';
import { Icon } from '../../ui/Icon';

interface Props {
    take: Take;
    /** What there is to do once it is kept. */
    next: string;
    disabled: boolean;
    onNext: () => void;
    onDecide: (to: Verdict) => void;
    onAgain: () => void;
}

/** Keep the take, go again, or set it aside. */
export function Decide({ take, next, disabled, onNext, onDecide, onAgain }: Props) {
    return (
        <div className="decide">
            {take.verdict === 'kept' ? (
                <Button onClick={onNext}>
                    {next} <kbd>N</kbd>
                </Button>
            ) : (
                <Button onClick={() => onDecide('kept')} disabled={disabled}>
                    <Icon name="check" /> Keep <kbd>K</kbd>
                </Button>
            )}
            <Button variant="quiet" onClick={onAgain}>
                <Icon name="arrowCounter" /> Go again <kbd>G</kbd>
            </Button>
            {take.verdict === 'discarded' ? (
                <Button variant="quiet" onClick={() => onDecide('undecided')}>
                    Put back <kbd>D</kbd>
                </Button>
            ) : (
                <Button variant="quiet" onClick={() => onDecide('discarded')}>
                    <Icon name="cross" /> Discard <kbd>D</kbd>
                </Button>
            )}
        </div>
    );
}

/** What was decided about a take. */
export function VerdictMark({ verdict }: { verdict: Verdict }) {
    const words = { kept: 'Kept', undecided: 'Undecided', discarded: 'Set aside' };
    return (
        <span className={`verdict-mark is-${verdict}`} role="status">
            {verdict === 'kept' && <Icon name="check" />}
            {verdict === 'discarded' && <Icon name="cross" />} {words[verdict]}
        </span>
    );
}
