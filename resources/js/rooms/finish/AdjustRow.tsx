import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Adjustment, Lesson, Take, TakesChanged } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { SeenRow } from './SeenRow';
import { undoable } from './undoable';

const none: Adjustment = { brightness: 0, contrast: 0, warmth: 0, saturation: 0 };
const parts: [keyof Adjustment, string][] = [
    ['brightness', 'Brightness'],
    ['contrast', 'Contrast'],
    ['warmth', 'Warmth'],
    ['saturation', 'Saturation'],
];

/** How the camera's picture is changed in this take, or in all of the lesson's; the recordings stay as they are. */
export function AdjustRow({ lesson, take }: { lesson: Lesson; take: Take }) {
    const { say, failed } = useNotices();
    const saved = take.adjustment ?? none;
    const [to, setTo] = useState(saved);
    const save = useLessonChange(lesson.id, ({ adjustment, of }: { adjustment: Adjustment | null; of: string }) =>
        api.patch<TakesChanged>(`takes/${take.id}`, { adjustment: adjustment && { ...adjustment }, for: of }),
    );
    useEffect(() => {
        if (!save.isPending) {
            setTo(saved);
        }
    }, [JSON.stringify(saved), save.isPending]); // eslint-disable-line react-hooks/exhaustive-deps
    const keep = (adjustment: Adjustment | null, of: 'take' | 'lesson' = 'take') => {
        setTo(adjustment ?? none);
        save.mutate(
            { adjustment, of },
            {
                onSuccess: (changed) =>
                    say(
                        of === 'lesson'
                            ? 'All takes of the lesson are adjusted alike.'
                            : `Take ${take.number} is adjusted.`,
                        undoable(lesson.id, changed, failed),
                    ),
                onError: (error) => {
                    failed(error);
                    setTo(saved);
                },
            },
        );
    };
    // Also while it is on its way to the server.
    const isAdjusted = take.adjustment !== null || parts.some(([name]) => to[name] !== 0);
    const match = () => {
        api.get<{ adjustment: Adjustment | null }>(`takes/${take.id}/match`)
            .then(({ adjustment }) =>
                adjustment ? keep({ ...to, ...adjustment }) : say('It goes with its neighbours as it is.'),
            )
            .catch(failed);
    };
    return (
        <SeenRow label="Camera">
            {parts.map(([name, label]) => (
                <label key={name} className="adjust-part">
                    <span>{label}</span>
                    <Form.Range
                        min={-50}
                        max={50}
                        value={to[name]}
                        onChange={({ target }) => setTo({ ...to, [name]: Number(target.value) })}
                        onPointerUp={() => to[name] !== saved[name] && keep(to)}
                        onKeyUp={() => to[name] !== saved[name] && keep(to)}
                    />
                </label>
            ))}
            <Button size="sm" variant="quiet" onClick={match}>
                Match its neighbours
            </Button>
            <Button size="sm" variant="quiet" disabled={!isAdjusted} onClick={() => keep(null)}>
                As recorded
            </Button>
            <Button size="sm" variant="quiet" disabled={!isAdjusted} onClick={() => keep(to, 'lesson')}>
                Use for all takes
            </Button>
        </SeenRow>
    );
}
