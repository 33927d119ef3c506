import type { Lesson } from '../../api/types';
import type { Setup } from '../../recorder/setup';
import { PartEditor } from '../../ui/PartEditor';
import { Live } from './Live';
import { sizeOf } from './streamSize';
import type { ChangeSetup } from './useSetup';
import type { Sources } from './useSources';

interface Props {
    lesson: Lesson;
    setup: Setup;
    sources: Sources;
    onChange: ChangeSetup;
}

/** Which part of camera and screen is shown. */
export function SetupFraming({ lesson, setup, sources, onChange }: Props) {
    const camera = sizeOf(sources.camera?.stream);
    const screen = sizeOf(sources.screen?.stream);
    return (
        <>
            {!camera && !screen && <p>Choose a camera or a screen first; then say which part of it is shown.</p>}
            {camera && sources.camera && (
                <section className="device">
                    <h3 className="h6">Camera</h3>
                    <p className="soft small">
                        The recording keeps the whole picture, so this can be changed later too. You see yourself as in
                        a mirror.
                    </p>
                    <PartEditor
                        of="camera"
                        picture={<Live stream={sources.camera.stream} />}
                        source={camera}
                        frame={lesson}
                        part={setup.framing}
                        locked
                        mirrored
                        onPart={(framing) => onChange({ framing })}
                    />
                </section>
            )}
            {screen && sources.screen && (
                <section className="device">
                    <h3 className="h6">Screen</h3>
                    <PartEditor
                        of="screen"
                        picture={<Live stream={sources.screen.stream} />}
                        source={screen}
                        frame={lesson}
                        part={setup.area}
                        locked={setup.areaLocked}
                        onPart={(area) => onChange({ area })}
                        onLocked={(areaLocked) => onChange({ areaLocked })}
                    />
                    {screen.width * (setup.area?.width ?? 1) < lesson.width && (
                        <p className="device-problem">
                            Will look soft: {Math.round(screen.width * (setup.area?.width ?? 1))} wide for a{' '}
                            {lesson.width} frame.
                        </p>
                    )}
                </section>
            )}
        </>
    );
}
