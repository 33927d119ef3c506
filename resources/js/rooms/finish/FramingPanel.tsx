import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Rect, Take, TakesChanged } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { NumberField } from '../../ui/NumberField';
import { panned, sized } from './framing';
import { undoable } from './undoable';

type Scope = 'take' | 'section' | 'lesson';

interface Props {
    lesson: Lesson;
    take: Take;
    part: Rect;
    onPart: (part: Rect) => void;
    onClose: () => void;
}

/** The numbers of how a camera is framed, and for which takes it counts. */
export function FramingPanel({ lesson, take, part, onPart, onClose }: Props) {
    const { say, failed } = useNotices();
    const [scope, setScope] = useState<Scope>('take');
    const save = useLessonChange(lesson.id, (framing: Rect | null) =>
        api.patch<TakesChanged>(`takes/${take.id}`, { for: scope, framing: framing && { ...framing } }),
    );
    const keep = (framing: Rect | null) => {
        save.mutate(framing, {
            onSuccess: (changed) => {
                const says = scope === 'take' ? `Take ${take.number} is framed.` : 'The takes are framed alike.';
                say(says, undoable(lesson.id, changed, failed));
                onClose();
            },
            onError: failed,
        });
    };
    const fields: [string, number, (value: number) => Rect][] = [
        ['Left', part.x, (x) => panned(part, x - part.x, 0)],
        ['Top', part.y, (y) => panned(part, 0, y - part.y)],
        ['Width', part.width, (width) => sized(part, width / part.width)],
    ];
    return (
        <section className="what-is-seen" aria-label="Framing of the camera">
            <header>
                <h2>Framing of take {take.number}</h2>
            </header>
            <p className="soft mb-0">
                Drag the camera&rsquo;s picture in its place, or use the arrow keys; the wheel, or + and -, bring it
                nearer and further. The recording keeps all of it.
            </p>
            <div className="placing-numbers">
                {fields.map(([name, value, change]) => (
                    <Form.Group key={name} controlId={`framing-${name}`}>
                        <Form.Label>{name}</Form.Label>
                        <NumberField
                            min={0}
                            value={Math.round(100 * value)}
                            onChange={(to100) => onPart(change(Math.max(1, Math.min(100, to100)) / 100))}
                        />
                    </Form.Group>
                ))}
                <Form.Group controlId="framing-scope">
                    <Form.Label>For which takes</Form.Label>
                    <Form.Select size="sm" value={scope} onChange={(event) => setScope(event.target.value as Scope)}>
                        <option value="take">This take</option>
                        <option value="section">All of this section</option>
                        <option value="lesson">All of this lesson</option>
                    </Form.Select>
                </Form.Group>
            </div>
            <div className="d-flex gap-2">
                <Button disabled={save.isPending} onClick={() => keep(part)}>
                    Frame it so
                </Button>
                <Button variant="quiet" disabled={save.isPending || !take.framing} onClick={() => keep(null)}>
                    Show all of it
                </Button>
                <Button variant="quiet" onClick={onClose}>
                    Cancel
                </Button>
            </div>
        </section>
    );
}
