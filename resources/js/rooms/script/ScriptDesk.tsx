import { lazy, Suspense, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import { useSlides } from '../../api/lesson';
import { may } from '../../api/me';
import type { Lesson, ScriptText } from '../../api/types';
import { insertCue, moveTo, openingCue, removeSection, sectionsOf } from '../../page/commands';
import { find, showPlain } from '../../page/createPage';
import type { ScriptSync } from '../../page/ScriptSync';
import { roomPath } from '../../shell/paths';
import { useNotices } from '../../ui/Notices';
import { offTarget, sectionState } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';
import { KeysDialog } from '../../ui/KeysDialog';
import { about, clock } from '../../lib/time';
import { InsertMenu } from './InsertMenu';
import { Margin } from './Margin';
import { MoreMenu } from './MoreMenu';
import { SavedState } from './SavedState';
import { SeenColumn } from './SeenColumn';
import { scriptKeys } from './scriptKeys';
import { type Start, useScriptPage } from './useScriptPage';

// Panels come when they are first opened: the page itself is what is waited for.
const ConflictDialog = lazy(() => import('./ConflictDialog'));
const LessonLook = lazy(() => import('./LessonLook'));
const ReadyPanel = lazy(() => import('./ReadyPanel'));
const SlidesPanel = lazy(() => import('./SlidesPanel'));

export type Panel = 'slides' | 'ready' | 'look' | null;

interface Props {
    lesson: Lesson;
    script: ScriptSync<ScriptText>;
    start: Start;
}

/** The typed page with its margin of takes on one side and what is seen on the other. */
export function ScriptDesk({ lesson, script, start }: Props) {
    const go = useNavigate();
    const writes = may(lesson, 'write');
    const { say } = useNotices();
    const [panel, setPanel] = useState<Panel>(null);
    const [plain, setPlain] = useState(false);
    const { data: slides } = useSlides(lesson.id);
    const page = useScriptPage(lesson, script, start);
    const { view, sync, geometry, places } = page;
    const toRecord = lesson.sections.find((s) => s.lines.length > 0 && sectionState(s).fill === 'hollow');
    const total = lesson.sections.reduce((sum, s) => sum + s.estimate_ms, 0);
    const off = offTarget(total, lesson.target_ms);
    /** Slides brought in for a section: the first is the one it begins with, the others go on to those that follow. */
    const tie = (index: number, names: string[]) => {
        if (!view) {
            return;
        }
        const count = sectionsOf(view.state).length;
        names.forEach((name, offset) => {
            if (index + offset < count) {
                view.dispatch(openingCue(view.state, index + offset, 'slide', name));
            }
        });
    };
    return (
        <main className="room script-room">
            <header className="script-head">
                <h1 className="visually-hidden">Script</h1>
                <p className="script-total mb-0">
                    <strong className="times">{about(total)}</strong>{' '}
                    <span className="soft">
                        to speak
                        {lesson.target_ms !== null && `, target ${clock(lesson.target_ms)}`}
                        {off !== null && ` (${clock(Math.abs(off))} ${off > 0 ? 'over' : 'under'})`}
                        {lesson.pace.takes > 0
                            ? `, at your pace in ${lesson.pace.takes} takes`
                            : ', at a usual pace (at yours after three kept takes)'}
                    </span>
                </p>
                {writes ? (
                    <SavedState state={page.sync.state} />
                ) : (
                    <span className="soft">You can read this, and comment on its draft.</span>
                )}
                <div className="script-tools">
                    {writes && (
                        <>
                            <InsertMenu
                                slides={slides ?? []}
                                onCue={(kind, value) => view && insertCue(view, kind, value)}
                                onCommand={(command) => view && command(view) && view.focus()}
                            />
                            <Button variant="quiet" size="sm" onClick={() => setPanel('slides')}>
                                Slides
                            </Button>
                        </>
                    )}
                    <Button variant="quiet" size="sm" onClick={() => setPanel('ready')}>
                        Ready?
                    </Button>
                    {writes && (
                        <MoreMenu
                            lesson={lesson}
                            plain={plain}
                            onPlain={() => {
                                setPlain(!plain);
                                if (view) {
                                    showPlain(view, !plain);
                                }
                            }}
                            onFind={() => view && void find(view)}
                            onLook={() => setPanel('look')}
                            onText={(text, how) => page.bringText(text, how)}
                        />
                    )}
                    <KeysDialog keys={scriptKeys} />
                    {toRecord && may(lesson, 'record') && (
                        <Button
                            size="sm"
                            onClick={() => void sync.flush().then(() => go(roomPath(lesson.id, 'record', toRecord.id)))}
                        >
                            <Icon name="dot" /> Record section {lesson.sections.indexOf(toRecord) + 1}
                        </Button>
                    )}
                </div>
            </header>
            <div className={plain ? 'typed-page is-plain' : 'typed-page'}>
                <Margin lesson={lesson} geometry={geometry} />
                <div className="typed-words" ref={page.mount} />
                <fieldset className="all-of-it" disabled={!writes}>
                    <SeenColumn
                        lesson={lesson}
                        places={places}
                        geometry={geometry}
                        slides={slides}
                        onTie={tie}
                        onMove={(index, by) => view && moveTo(view, index, index + by)}
                        onRemove={(index) => {
                            if (view && removeSection(view, index)) {
                                say(`Section ${index + 1} is removed; its takes come back with its words.`, page.undo);
                            }
                        }}
                        onUntie={(index) => view?.dispatch(openingCue(view.state, index, 'slide', null))}
                    />
                </fieldset>
            </div>
            <Suspense>
                <SlidesPanel
                    show={panel === 'slides'}
                    lesson={lesson}
                    places={places}
                    onTie={(index, name) => tie(index, [name])}
                    onClose={() => setPanel(null)}
                    onAccept={page.acceptTies}
                    beforeTie={sync.flush}
                    onInsert={(name) => {
                        setPanel(null);
                        if (view) {
                            insertCue(view, 'slide', name);
                        }
                    }}
                    onChanged={page.look}
                />
                <ReadyPanel
                    show={panel === 'ready'}
                    lesson={lesson}
                    onClose={() => setPanel(null)}
                    onGo={page.goTo}
                    beforeLook={sync.flush}
                />
                <LessonLook show={panel === 'look'} lesson={lesson} onClose={() => setPanel(null)} />
                {page.sync.conflict && <ConflictDialog conflict={page.sync.conflict} onChoose={page.choose} />}
            </Suspense>
        </main>
    );
}
