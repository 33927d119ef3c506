import { layouts } from '../../ui/layouts';
import { useEffect, useState } from 'react';
import { prefetchPictures, useSectionPicture } from '../../api/lesson';
import type { Layout, Lesson, LinePicture, Section, Slide } from '../../api/types';
import type { Setup } from '../../recorder/setup';
import type { RecordingSession } from '../../recorder/session';
import { stepsOf } from '../../recorder/steps';
import { writeCue } from '../../lib/scriptSyntax';
import type { Sources } from './useSources';

/** Cues given by key, that the script does not hold yet. */
interface Given {
    layout: string | null;
    stage: string | null;
}

const nothingGiven: Given = { layout: null, stage: null };

const layoutCue = (layout: Layout) => writeCue('layout', layout.replaceAll('-', ' '));

/** What is seen now: as the script says at the step one is at, and as was changed by key since. */
export function useLivePicture(
    lesson: Lesson,
    section: Section,
    setup: Setup,
    sources: Sources,
    session: RecordingSession,
    slides: Slide[] | undefined,
    only: number[] | null,
    onLine: (line: number) => void,
) {
    const [at, setAt] = useState(0);
    const [given, setGiven] = useState(nothingGiven);
    /** What was given when the line at hand began: going again goes back to it. */
    const [before, setBefore] = useState(nothingGiven);
    const size = (stream: MediaStream | undefined) => stream?.getVideoTracks()[0]?.getSettings() ?? null;
    const seen = {
        camera: size(sources.camera?.stream),
        screen: size(sources.screen?.stream),
        framing: setup.framing,
        area: setup.area,
    };
    const { data: plans = [] } = useSectionPicture(section, lesson.revision, seen);
    const cues = [given.stage, given.layout].filter((cue) => cue !== null);
    const { data: changed } = useSectionPicture(section, lesson.revision, seen, cues);
    const steps = stepsOf(section.lines.length, plans, only);
    /** Lines are counted among those that are recorded. */
    const told = (line: number) => (only ? Math.max(0, only.indexOf(line)) : line);
    const index = Math.min(at, steps.length - 1);
    const step = steps[index] ?? { line: 0, plan: 0, within: 0 };
    const shown = cues.length > 0 ? changed : plans;
    const plan = shown?.[step.plan] ?? shown?.[0] ?? plans[0];

    // What one may change to by key is fetched ahead, so that it is shown at once.
    const sizes = JSON.stringify(seen);
    useEffect(() => {
        for (const { layout } of layouts) {
            prefetchPictures(section, lesson.revision, JSON.parse(sizes), [layoutCue(layout)]);
        }
    }, [section, lesson.revision, sizes]);

    const go = (to: number) => {
        const target = steps[Math.max(0, Math.min(steps.length - 1, to))];
        if (!target) {
            return;
        }
        const [was, will] = [plans[step.plan], plans[target.plan]];
        const next = {
            // A cue of the script takes over from what was given before it.
            layout: was && will && layoutOf(was) !== layoutOf(will) ? null : given.layout,
            stage: was?.surface === will?.surface ? given.stage : null,
        };
        setGiven(next);
        if (target.line !== step.line) {
            setBefore(next);
            session.toLine(told(target.line));
            onLine(told(target.line));
        } else {
            session.log('step', { line: told(target.line) + 1, within: target.within });
        }
        setAt(Math.max(0, Math.min(steps.length - 1, to)));
    };
    const give = (cue: string, what: keyof Given) => {
        setGiven({ ...given, [what]: cue });
        session.log('cue', { cue });
    };
    const turn = (by: number) => {
        const [kind, id] = plan?.surface?.split(':') ?? [];
        if (kind === 'board') {
            give(writeCue('board', String(Math.max(1, Number(id) + by))), 'stage');
            return;
        }
        const here = slides?.findIndex((slide) => slide.id === id) ?? -1;
        const slide = slides?.[here < 0 ? 0 : here + by];
        if (slide) {
            give(writeCue('slide', slide.name), 'stage');
        }
    };
    return {
        plan,
        plans,
        line: told(step.line),
        isFirst: index === 0,
        isLast: index >= steps.length - 1,
        move: (by: number) => go(index + by),
        toLine: (line: number) => go(steps.findIndex((one) => told(one.line) === line)),
        setLayout: (layout: Layout) => give(layoutCue(layout), 'layout'),
        turn,
        canTurn: (slides?.length ?? 0) > 0 || plan?.surface?.startsWith('board:') === true,
        /** The line at hand is said again from its start. */
        again: () => {
            setAt(steps.findIndex((one) => one.line === step.line));
            setGiven(before);
        },
        /** What was tried before a take does not count. */
        forget: () => {
            setGiven(nothingGiven);
            setBefore(nothingGiven);
        },
        toStart: () => setAt(0),
    };
}

/** Told by how camera and stage lie: enough to see whether a cue changed it. */
const layoutOf = (plan: LinePicture): string =>
    JSON.stringify(plan.layers.filter((l) => l.shows === 'camera').map((l) => l.rect)) + String(plan.stage?.width);
