import type { Lesson, Picture, Take } from '../../api/types';
import { begin, cueOf, placedNames, type Placing } from './placing';
import { PlacingPanel } from './PlacingPanel';
import { type BoardRow, isStage } from './storyboard';
import { type Choice, type Topic, WhatIsSeen } from './WhatIsSeen';

/** Whether a choice holds for the chosen words alone, or from there on. */
export type Holds = 'words' | 'on';

/** Something that is being placed on the stage, before it is said where. */
export interface InPlacing {
    it: Placing;
    holds: Holds;
}

interface Props {
    lesson: Lesson;
    /** The chosen words, shortened. */
    says: string;
    many: boolean;
    /** Where the first of them stands. */
    row: BoardRow | undefined;
    /** The take that is seen there, all of it. */
    take: Take | undefined;
    topic: Topic;
    onTopic: (topic: Topic) => void;
    placing: InPlacing | null;
    disabled: boolean;
    onPlacing: (placing: InPlacing | null) => void;
    onChoose: (choice: Choice, holds: Holds, done?: () => void) => void;
    onFrame: () => void;
    onClear: () => void;
}

/** What can be chosen for the words in hand; while something is placed, where it lies. */
export function ForWords({ lesson, says, many, row, take, topic, placing, disabled, onPlacing, ...acts }: Props) {
    const layers = row?.shot?.picture.layers;
    const stage = layers?.find(({ shows }) => isStage(shows));
    if (placing) {
        return (
            <PlacingPanel
                placing={placing.it}
                says={says}
                disabled={disabled}
                onPlace={(it) => onPlacing({ ...placing, it })}
                onDone={() => {
                    const placed = { cue: cueOf(placing.it), says: placedNames[placing.it.what] };
                    acts.onChoose(placed, placing.holds, () => onPlacing(null));
                }}
                onCancel={() => onPlacing(null)}
            />
        );
    }
    return (
        <WhatIsSeen
            lesson={lesson}
            says={says}
            many={many}
            hasStage={stage !== undefined}
            stage={stage?.url ?? null}
            topic={topic}
            onTopic={acts.onTopic}
            hasCamera={layers?.some(({ shows }) => shows === 'camera') ?? false}
            take={take}
            onFrame={acts.onFrame}
            hasScreen={row?.segment?.beside.some(({ kind }) => kind === 'screen') ?? false}
            disabled={disabled}
            onChoose={acts.onChoose}
            onPlace={(what, holds) => {
                const inset = what.what === 'inset' && row?.shot && insetPart(row.shot.picture);
                onPlacing({ it: begin({ ...what, ...inset }), holds });
            }}
            onClear={acts.onClear}
        />
    );
}

/** Where the inset lies now, in parts of the frame; where there is none, where one usually lies. */
function insetPart({ frame, layers }: Picture): Pick<Placing, 'part' | 'shape'> {
    const rect = layers.find(({ shows, rect: at }) => shows === 'camera' && at.width < frame.width / 2)?.rect;
    const { x, y, width, height } = rect ?? { x: 0.7, y: 0.7, width: 0.24, height: 0.24 };
    const part = rect
        ? { x: x / frame.width, y: y / frame.height, width: width / frame.width, height: height / frame.height }
        : { x, y, width, height };
    return { part, shape: part.width / part.height };
}
