import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { useAlignments, useLessonChange } from '../../api/lesson';
import type { Attempt, Lesson, Section, Take } from '../../api/types';
import { pickupPath } from '../../shell/paths';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { useKeys } from '../../ui/useKeys';
import { AttemptPlayer } from '../../player/AttemptPlayer';

interface Props {
    lesson: Lesson;
    section: Section;
    /** All of the section. */
    takes: Take[];
    line: string;
    /** Id of the take that is heard in the film. */
    used: string | null;
}

/** All reads of a line, to be heard one after the other and chosen from. */
export function LineAttempts({ lesson, section, takes: ofSection, line, used }: Props) {
    const { say, failed } = useNotices();
    const go = useNavigate();
    const [playing, setPlaying] = useState<string | null>(null);
    const player = useRef<AttemptPlayer | null>(null);
    useEffect(() => {
        const made = new AttemptPlayer(setPlaying);
        player.current = made;
        return () => made.close();
    }, []);
    const choose = useLessonChange(lesson.id, (take: string | null) =>
        api.put(`lessons/${lesson.id}/choices`, { lines: [line], take }),
    );
    const why = section.coverage.lines.find(({ id }) => id === line)?.why;
    const takes = ofSection.filter((take) => take.lines.some(({ id }) => id === line) && take.state === 'ready');
    const heard = useAlignments(takes);
    const all = takes.flatMap((take, n) =>
        (heard[n]?.attempts ?? [])
            .filter((read) => read.line === line)
            .map((read) => ({ take, read, key: keyOf(take, read) })),
    );
    const use = (take: Take) => {
        const before = section.coverage.lines.find(({ id }) => id === line);
        const was = before?.why === 'chosen' ? before.take : null;
        choose.mutate(take.id, {
            onSuccess: () =>
                say(`Take ${take.number} says this line now.`, () => choose.mutate(was, { onError: failed })),
            onError: failed,
        });
    };
    const compare = () => player.current?.play(all.map(({ take, read, key }) => ({ key, take, read })));
    useKeys([{ keys: ['c'], name: 'C', does: 'Play all reads of the line, one after the other', act: compare }]);
    return (
        <div className="line-reads" role="group" aria-label="Reads of this line">
            {all.length === 0 && <p className="soft">No take was heard saying this line.</p>}
            {all.map(({ take, read, key }) => (
                <div key={key} className={playing === key ? 'read is-playing' : 'read'}>
                    <Button
                        size="sm"
                        variant="quiet"
                        aria-label={`Play take ${take.number}, ${read.kind}`}
                        onClick={() => player.current?.play([{ key, take, read }])}
                    >
                        <Icon name={playing === key ? 'pause' : 'play'} />
                    </Button>
                    <span>
                        Take {take.number} · {read.kind === 'complete' ? 'whole' : read.kind} ·{' '}
                        {((read.until_ms - read.from_ms) / 1000).toFixed(1)} s
                    </span>
                    {read.kind === 'complete' &&
                        (used === take.id ? (
                            <span className="soft">
                                {why === 'cleaner'
                                    ? 'in the film: the take after it says this line less well'
                                    : 'in the film'}
                            </span>
                        ) : (
                            <Button size="sm" variant="quiet" disabled={choose.isPending} onClick={() => use(take)}>
                                Use this take
                            </Button>
                        ))}
                </div>
            ))}
            <div className="d-flex gap-2">
                {all.length > 1 && (
                    <Button size="sm" variant="quiet" onClick={compare}>
                        Compare <kbd>C</kbd>
                    </Button>
                )}
                <Button size="sm" variant="quiet" onClick={() => void go(pickupPath(lesson.id, section.id, [line]))}>
                    Record just this line
                </Button>
            </div>
        </div>
    );
}

const keyOf = (take: Take, read: Attempt) => `${take.id}-${read.from_ms}`;
