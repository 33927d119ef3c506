import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import type { Assembly, Picture } from '../../api/types';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';
import { shotAt } from '../../player/plan';
import { useStored } from '../useStored';
import { CaptionOver } from './CaptionOver';
import { useWatchPlayer, type WatchPlace } from './useWatchPlayer';
import { WatchRow } from './WatchRow';
import { WatchScenes } from './WatchScenes';

interface Props {
    plan: Assembly;
    /** Id of the section it begins with. */
    from: string | undefined;
    /** The frame it begins with, counted in that section. */
    at?: number;
    /** It stands in a dialog, and plays at once. */
    plays?: boolean;
    /** Where it goes on instead, when another plan was watched before. */
    goesOn?: WatchPlace | null;
    /** Whether it tells which section is seen. */
    says?: boolean;
    /** Only the picture: whoever shows it plays it. */
    isBare?: boolean;
    /** Of this lesson captions can be shown over it. */
    captionsOf?: string;
    /** Lies over the picture that is seen. */
    over?: (picture: Picture) => ReactNode;
    /** Told the player when it is there. */
    onPlayer?: (player: AssemblyPlayer | null) => void;
}

/** Plays the whole assembly at once, without rendering: the same frames that the export will have. */
export function Watch({
    plan,
    from,
    at = 0,
    plays = false,
    goesOn = null,
    says = true,
    isBare = false,
    captionsOf,
    over,
    onPlayer,
}: Props) {
    const [withCaptions, setWithCaptions] = useStored('watch/captions');
    const begins = { section: from, at, playing: plays };
    const { player, now, cameras, screens } = useWatchPlayer(plan, begins, goesOn, onPlayer);
    const segment = plan.segments[now.index];
    const shot = segment && shotAt(segment, now.frame);
    if (!segment || !shot) {
        return null;
    }
    return (
        <div className="watch">
            <WatchScenes plan={plan} now={now} picture={shot.picture} cameras={cameras} screens={screens}>
                {captionsOf && withCaptions === 'on' && <CaptionOver lessonId={captionsOf} frame={now.frame} />}
                {over?.(shot.picture)}
            </WatchScenes>
            {!isBare && (
                <WatchRow plan={plan} now={now} player={player} inDialog={plays}>
                    {captionsOf && (
                        <Button
                            variant="quiet"
                            aria-pressed={withCaptions === 'on'}
                            onClick={() => setWithCaptions(withCaptions === 'on' ? '' : 'on')}
                        >
                            Captions
                        </Button>
                    )}
                </WatchRow>
            )}
            {says && !isBare && (
                <p className="soft mb-0">
                    Now: {segment.position}. {segment.title}
                </p>
            )}
        </div>
    );
}
