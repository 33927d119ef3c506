import { type ReactNode, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Assembly, Picture } from '../../api/types';
import { AssemblyPlayer, type PlayerSnapshot } from '../../player/AssemblyPlayer';
import type { Companions } from '../../player/MediaPair';
import { Icon } from '../Icon';
import { KeysDialog } from '../KeysDialog';
import { meetingAt, runsOf, shotAt } from '../../player/plan';
import { Scene } from '../Scene';
import { clock } from '../../lib/time';
import { useStored } from '../useStored';
import { CaptionOver } from './CaptionOver';

const still: PlayerSnapshot = { index: 0, frame: 0, playing: false, turn: 0 };
const nothing = () => () => undefined;

/** A place in the film that stays when other sections become longer or shorter. */
export interface WatchPlace {
    section: string;
    /** Frames since the section began. */
    at: number;
    playing: boolean;
}

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
    const first = useRef<HTMLVideoElement>(null);
    const second = useRef<HTMLVideoElement>(null);
    const screens = [useRef<HTMLVideoElement>(null), useRef<HTMLVideoElement>(null)];
    const sounds = useRef([new Audio(), new Audio()]);
    const voices = useRef([new Audio(), new Audio()]);
    const resume = useRef(goesOn);
    // One player a plan: the parent gives another key to another plan.
    const [played] = useState(plan);
    const runs = useMemo(() => runsOf(plan), [plan]);
    const [player, setPlayer] = useState<AssemblyPlayer | null>(null);
    const {
        index,
        frame,
        playing,
        turn: shows,
    } = useSyncExternalStore(player?.subscribe ?? nothing, player?.snapshot ?? (() => still));

    useEffect(() => {
        const beside = screens.map(({ current: screen }, turn) => ({
            screen,
            computer: sounds.current[turn],
            voice: voices.current[turn],
        }));
        if (!first.current || !second.current || beside.some(({ screen }) => !screen)) {
            return;
        }
        const made = new AssemblyPlayer(played, [first.current, second.current], beside as [Companions, Companions]);
        setPlayer(made);
        onPlayer?.(made);
        return () => {
            onPlayer?.(null);
            made.close();
        };
        // The elements are there as long as this is.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [played]);
    useEffect(() => {
        if (!player) {
            return;
        }
        const place = resume.current ?? { section: from, at, playing: plays };
        resume.current = null;
        const own = played.segments.filter((s) => s.section_id === place.section);
        const [begins] = own;
        const ends = own.at(-1);
        if (begins && ends) {
            player.seek(Math.min(begins.start_frame + place.at, ends.start_frame + ends.frames - 1));
        }
        if (place.playing) {
            void player.play();
        }
    }, [player, from, at, plays, played]);

    const segment = plan.segments[index];
    const shot = segment && shotAt(segment, frame);
    if (!segment || !shot) {
        return null;
    }
    const { picture } = shot;
    const meeting = meetingAt(plan, index, frame);
    const run = runs[index] ?? 0;
    /** The segment that one of the two elements shows, or will show next. */
    const segmentOf = (turn: number): number =>
        turn === shows ? index : (meeting.before ?? runs.findIndex((one) => one === run + 1));
    const toSegment = (by: number) => {
        const target = plan.segments[Math.max(0, Math.min(plan.segments.length - 1, index + by))];
        player?.seek(target?.start_frame ?? 0);
    };
    const keys = [
        { keys: [' ', 'p'], name: 'Space or P', does: 'Play or pause', act: () => player?.toggle() },
        { keys: ['PageDown', 'ArrowDown'], name: 'Page Down or ↓', does: 'Next section', act: () => toSegment(1) },
        { keys: ['PageUp', 'ArrowUp'], name: 'Page Up or ↑', does: 'Previous section', act: () => toSegment(-1) },
    ];
    return (
        <div className="watch">
            <div
                className="frame-picture"
                role="group"
                aria-label="The lesson as it will be exported"
                data-frame={frame}
                data-section={segment.position}
                style={{ aspectRatio: `${picture.frame.width} / ${picture.frame.height}` }}
            >
                {[first, second].map((element, turn) => {
                    const own = segmentOf(turn);
                    const shown = plan.segments[own];
                    const seen = shown && shotAt(shown, own === index ? frame : Math.max(frame, shown.start_frame));
                    return (
                        <Scene
                            key={turn}
                            picture={seen?.picture ?? picture}
                            fps={plan.fps}
                            frame={frame - (shown?.start_frame ?? 0) - (seen?.offset ?? 0)}
                            camera={<video ref={element} preload="auto" playsInline />}
                            screen={<video ref={screens[turn]} preload="auto" muted playsInline />}
                            opacity={own === index ? meeting.opacity : 1}
                            beside={meeting.pushed === null ? 0 : (own === index ? 1 : 0) - meeting.pushed}
                            above={own === index}
                            hidden={own !== index && own !== meeting.before}
                        />
                    );
                })}
                {captionsOf && withCaptions === 'on' && <CaptionOver lessonId={captionsOf} frame={frame} />}
                {over?.(picture)}
                {/* Before it is begun, one sees what it begins with. */}
                {meeting.veil > 0 && (playing || frame > 0) && (
                    <div className="veil" style={{ background: `#${picture.ground}`, opacity: meeting.veil }} />
                )}
            </div>
            {!isBare && (
                <div className="watch-row times">
                    <Button onClick={() => player?.toggle()}>
                        <Icon name={playing ? 'pause' : 'play'} /> {playing ? 'Pause' : 'Watch'}
                    </Button>
                    <Form.Range
                        aria-label="Place in the lesson"
                        aria-valuetext={`${clock((1000 * frame) / plan.fps)}, section ${segment.position}, ${segment.title}`}
                        min={0}
                        max={plan.frames - 1}
                        value={frame}
                        onChange={(event) => player?.seek(Number(event.target.value))}
                    />
                    <span>
                        {clock((1000 * frame) / plan.fps)} of {clock(plan.length_ms)}
                    </span>
                    {captionsOf && (
                        <Button
                            variant="quiet"
                            aria-pressed={withCaptions === 'on'}
                            onClick={() => setWithCaptions(withCaptions === 'on' ? '' : 'on')}
                        >
                            Captions
                        </Button>
                    )}
                    <KeysDialog keys={keys} inDialog={plays} />
                </div>
            )}
            {says && !isBare && (
                <p className="soft mb-0">
                    Now: {segment.position}. {segment.title}
                </p>
            )}
        </div>
    );
}
