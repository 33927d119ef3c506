import { type ReactNode, useState } from 'react';
import type { Layer, Lesson, Picture, Rect, Take } from '../../api/types';
import { mediaTime } from '../../player/plan';
import { FrameCamera } from './FrameCamera';
import { FramingPanel } from './FramingPanel';
import { narrowed } from './framing';
import type { BoardRow } from './storyboard';

const whole: Rect = { x: 0, y: 0, width: 1, height: 1 };

interface Framing {
    take: Take;
    camera: Layer;
    src: string;
    part: Rect;
}

/** A camera that is being framed in its own place in the picture. */
export function useFraming(lesson: Lesson) {
    const [framing, setFraming] = useState<Framing | null>(null);
    const onPart = (part: Rect) => setFraming(framing && { ...framing, part });
    return {
        /** Lies over the picture meanwhile. */
        over:
            framing &&
            ((picture: Picture): ReactNode => (
                <FrameCamera
                    picture={picture}
                    camera={framing.camera}
                    src={framing.src}
                    part={framing.part}
                    onPart={onPart}
                />
            )),
        panel: framing && (
            <FramingPanel
                lesson={lesson}
                take={framing.take}
                part={framing.part}
                onPart={onPart}
                onClose={() => setFraming(null)}
            />
        ),
        end: () => setFraming(null),
        /** @param frame of the film that is in sight */
        begin: (row: BoardRow, take: Take, frame: number) => {
            const camera = row.shot?.picture.layers.find(({ shows }) => shows === 'camera');
            if (camera && row.segment && take.camera) {
                const { width, height } = camera.rect;
                const seconds = mediaTime(row.segment, frame - row.segment.start_frame);
                setFraming({
                    take,
                    camera,
                    src: `${row.segment.media_url}#t=${seconds.toFixed(2)}`,
                    part: narrowed(take.framing ?? whole, take.camera, width / height),
                });
            }
        },
    };
}
