import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Rect, Take } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { PartEditor } from '../../ui/PartEditor';

interface Props {
    lesson: Lesson;
    take: Take;
    url: string;
}

type Scope = 'take' | 'section' | 'lesson';

/** Which part of camera and screen is shown, changed afterwards: for this take, its section, or the lesson. */
export function TakeFraming({ lesson, take, url }: Props) {
    const { failed } = useNotices();
    const [open, setOpen] = useState(false);
    const [scope, setScope] = useState<Scope>('take');
    const [parts, setParts] = useState({ framing: take.framing, area: take.area });
    const save = useLessonChange(lesson.id, () =>
        api.patch(`takes/${take.id}`, {
            for: scope,
            ...(take.camera && { framing: parts.framing }),
            ...(take.screen && { area: parts.area }),
        }),
    );
    const editor = (name: 'framing' | 'area', of: string, size: { width: number; height: number }, src: string) => (
        <PartEditor
            of={of}
            picture={<video src={src} preload="auto" muted playsInline />}
            source={size}
            frame={lesson}
            part={parts[name]}
            locked={name === 'framing'}
            onPart={(part: Rect | null) => setParts({ ...parts, [name]: part })}
        />
    );
    return (
        <>
            <Button
                variant="quiet"
                size="sm"
                onClick={() => {
                    setParts({ framing: take.framing, area: take.area });
                    setOpen(true);
                }}
            >
                Framing
            </Button>
            <Modal show={open} onHide={() => setOpen(false)} size="lg" aria-labelledby="framing-title">
                <Modal.Header closeButton>
                    <Modal.Title id="framing-title" as="h2" className="h5">
                        Which part is shown
                    </Modal.Title>
                </Modal.Header>
                <Modal.Body className="framing-body">
                    {take.camera && editor('framing', 'camera', take.camera, url)}
                    {take.screen && editor('area', 'screen', take.screen, take.screen.url)}
                    <Form.Select
                        size="sm"
                        aria-label="For which takes"
                        value={scope}
                        onChange={(event) => setScope(event.target.value as Scope)}
                    >
                        <option value="take">For this take</option>
                        <option value="section">For all takes of this section</option>
                        <option value="lesson">For all takes of this lesson</option>
                    </Form.Select>
                </Modal.Body>
                <Modal.Footer>
                    <span className="soft me-auto">The recording keeps all of it.</span>
                    <Button variant="quiet" onClick={() => setOpen(false)}>
                        Cancel
                    </Button>
                    <Button
                        disabled={save.isPending}
                        onClick={() => save.mutate(undefined, { onSuccess: () => setOpen(false), onError: failed })}
                    >
                        Show this part
                    </Button>
                </Modal.Footer>
            </Modal>
        </>
    );
}
