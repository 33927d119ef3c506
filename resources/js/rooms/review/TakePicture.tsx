import { type RefObject, useEffect, useRef, useState } from 'react';
import { useSectionPicture } from '../../api/lesson';
import type { Lesson, Section, Take } from '../../api/types';
import { follow } from '../../player/follow';
import { FramePicture } from '../../ui/FramePicture';

interface Props {
    lesson: Lesson;
    section: Section;
    take: Take;
    media: RefObject<HTMLVideoElement | null>;
    url: string;
}

/** The take as it will stand in the film. */
export function TakePicture({ lesson, section, take, media, url }: Props) {
    const [seen, setSeen] = useState(take.camera);
    const [line, setLine] = useState(1);
    const screen = useRef<HTMLVideoElement>(null);
    const { data: plans } = useSectionPicture(section, lesson.revision, {
        camera: take.camera ?? (take.screen ? null : seen),
        screen: take.screen,
        framing: take.framing,
        area: take.area,
    });
    const plan = plans?.findLast((one) => one.from_line <= line) ?? plans?.[0];
    const late = (take.screen?.late_ms ?? 0) / 1000;
    useEffect(
        () => (media.current && screen.current ? follow(media.current, screen.current, late) : undefined),
        [media, late, plan],
    );
    const video = (
        <video
            ref={media}
            src={url}
            preload="auto"
            playsInline
            onTimeUpdate={(event) => setLine(lineAt(section, take, 1000 * event.currentTarget.currentTime))}
            onLoadedMetadata={(event) => {
                const { videoWidth: width, videoHeight: height } = event.currentTarget;
                setSeen(width > 0 ? { width, height } : null);
            }}
        />
    );
    return plan ? (
        <div className="take-picture">
            <FramePicture
                picture={plan}
                camera={video}
                screen={take.screen && <video ref={screen} src={take.screen.url} preload="auto" muted playsInline />}
                label={`Take ${take.number} as it will stand in the film`}
            />
        </div>
    ) : (
        <div className="take-picture" />
    );
}

/** The number that the line spoken at a moment of the take has in the script as it is now. */
function lineAt(section: Section, take: Take, milliseconds: number): number {
    const spoken = take.lines.findLast((line) => line.from_ms !== null && line.from_ms <= milliseconds);
    return section.lines.find((line) => line.id === spoken?.id)?.number ?? 1;
}
