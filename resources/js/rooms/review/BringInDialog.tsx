import { useState, useSyncExternalStore } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { refreshLesson } from '../../api/queries';
import type { Lesson, Section } from '../../api/types';
import { BringIn } from '../../recorder/bringIn';
import { megabytes } from '../../ui/time';

interface Props {
    lesson: Lesson;
    section: Section;
    onTake: (take: string) => void;
}

/** A recording made elsewhere becomes a take: of this section, or of all the sections that it speaks. */
export function BringInDialog({ lesson, section, onTake }: Props) {
    const [open, setOpen] = useState(false);
    const [file, setFile] = useState<File | null>(null);
    const [whole, setWhole] = useState(false);
    const [sender] = useState(() => new BringIn());
    const now = useSyncExternalStore(sender.subscribe, sender.snapshot);
    const isSending = now.state === 'sending' || now.state === 'waiting';
    const bring = async () => {
        const take = file && (await sender.send(file, section.id, whole));
        if (take) {
            await refreshLesson(lesson.id);
            onTake(take);
            setOpen(false);
            setFile(null);
        }
    };
    const cancel = async () => {
        await sender.cancel();
        await refreshLesson(lesson.id);
    };
    return (
        <>
            <Button size="sm" variant="quiet" onClick={() => setOpen(true)}>
                Bring in a recording
                {isSending && ` · ${Math.floor((100 * now.sent) / now.of)} %`}
            </Button>
            <Modal show={open} onHide={() => setOpen(false)} aria-labelledby="bring-in">
                <Modal.Header closeButton>
                    <Modal.Title as="h2" id="bring-in">
                        Bring in a recording
                    </Modal.Title>
                </Modal.Header>
                <Modal.Body className="d-grid gap-3">
                    <Form.Group controlId="bring-file">
                        <Form.Label>A film or sound file, up to 8 GB</Form.Label>
                        <Form.Control
                            type="file"
                            accept="video/*,audio/*,.mkv,.mov,.m4a"
                            disabled={isSending}
                            onChange={(event) => setFile((event.target as HTMLInputElement).files?.[0] ?? null)}
                        />
                    </Form.Group>
                    <div role="group" aria-label="What it holds">
                        <Form.Check
                            type="radio"
                            id="bring-section"
                            label="This section"
                            checked={!whole}
                            disabled={isSending}
                            onChange={() => setWhole(false)}
                        />
                        <Form.Check
                            type="radio"
                            id="bring-lesson"
                            label="The whole lesson: it is listened to, and used wherever it speaks the script"
                            checked={whole}
                            disabled={isSending}
                            onChange={() => setWhole(true)}
                        />
                    </div>
                    {isSending && (
                        <div role="status">
                            <ProgressBar
                                now={now.of === 0 ? 0 : (100 * now.sent) / now.of}
                                aria-label="How much has arrived"
                            />
                            <p className="soft mb-0">
                                {megabytes(now.sent)} of {megabytes(now.of)}.{' '}
                                {now.state === 'waiting'
                                    ? 'The server is away; it goes on by itself. Leave this page open.'
                                    : 'You can close this; leave the page open.'}
                            </p>
                        </div>
                    )}
                    {now.state === 'failed' && (
                        <Alert variant="warning" className="mb-0">
                            {now.problem}
                        </Alert>
                    )}
                </Modal.Body>
                <Modal.Footer>
                    {isSending ? (
                        <Button variant="quiet" onClick={() => void cancel()}>
                            Cancel
                        </Button>
                    ) : (
                        <Button disabled={!file} onClick={() => void bring()}>
                            Bring it in
                        </Button>
                    )}
                </Modal.Footer>
            </Modal>
        </>
    );
}
