import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Assembly } from '../../api/types';
import { clock } from '../../lib/time';
import type { AssemblyPlayer, PlayerSnapshot } from '../../player/AssemblyPlayer';
import { Icon } from '../Icon';
import { KeysDialog } from '../KeysDialog';

interface Props {
    plan: Assembly;
    now: PlayerSnapshot;
    player: AssemblyPlayer | null;
    /** It stands in a dialog. */
    inDialog: boolean;
    /** More to press. */
    children: ReactNode;
}

/** What one plays with: a button, the place in the lesson, the time, and keys. */
export function WatchRow({ plan, now: { index, frame, playing }, player, inDialog, children }: Props) {
    const segment = plan.segments[index];
    const toSegment = (by: number) => {
        const target = plan.segments[Math.max(0, Math.min(plan.segments.length - 1, index + by))];
        player?.seek(target?.start_frame ?? 0);
    };
    const keys = [
        { keys: [' ', 'p'], name: 'Space or P', does: 'Play or pause', act: () => player?.toggle() },
        { keys: ['PageDown', 'ArrowDown'], name: 'Page Down or ↓', does: 'Next section', act: () => toSegment(1) },
        { keys: ['PageUp', 'ArrowUp'], name: 'Page Up or ↑', does: 'Previous section', act: () => toSegment(-1) },
    ];
    const time = clock((1000 * frame) / plan.fps);
    return (
        <div className="watch-row times">
            <Button onClick={() => player?.toggle()}>
                <Icon name={playing ? 'pause' : 'play'} /> {playing ? 'Pause' : 'Watch'}
            </Button>
            <Form.Range
                aria-label="Place in the lesson"
                aria-valuetext={`${time}, section ${segment?.position}, ${segment?.title}`}
                min={0}
                max={plan.frames - 1}
                value={frame}
                onChange={(event) => player?.seek(Number(event.target.value))}
            />
            <span>
                {time} of {clock(plan.length_ms)}
            </span>
            {children}
            <KeysDialog keys={keys} inDialog={inDialog} />
        </div>
    );
}
