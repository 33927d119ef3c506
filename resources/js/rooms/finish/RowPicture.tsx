import type { TakeGlance } from '../../api/types';
import { clock } from '../../lib/time';
import { FramePicture } from '../../ui/FramePicture';
import { ScreenStill } from '../../ui/ScreenStill';
import { type BoardRow, pictureSays } from './storyboard';

/** What is seen while a row of words is said; pressed, it is shown in the film. */
export function RowPicture({
    row,
    fps,
    takes,
    without,
    onShow,
}: {
    row: BoardRow;
    fps: number;
    takes: TakeGlance[];
    /** What is said where there is no picture. */
    without: string;
    onShow: (frame: number) => void;
}) {
    if (!row.shot || !row.segment || row.frame === null) {
        return <div className="board-picture soft">{without}</div>;
    }
    const poster = takes.find((take) => take.id === row.segment?.take_id)?.poster_url;
    const says = pictureSays(row.shot);
    const start = row.frame;
    const seconds = row.frames / fps;
    const length = `${seconds < 10 ? seconds.toFixed(1) : Math.round(seconds)} s`;
    const label = `${says}, for ${length} from ${clock((1000 * start) / fps)}`;
    return (
        <button type="button" className="board-picture" aria-label={`Show ${label}`} onClick={() => onShow(start)}>
            <FramePicture
                picture={row.shot.picture}
                label={label}
                camera={poster && <img src={poster} alt="" />}
                screen={<ScreenStill segment={row.segment} frame={row.frame} fps={fps} />}
            />
            <span className="times">
                <span>{says}</span> {length}
            </span>
        </button>
    );
}
