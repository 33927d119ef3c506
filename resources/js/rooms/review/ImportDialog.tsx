import { useState, useSyncExternalStore } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { api } from '../../api/client';
import { FileSender } from '../../api/FileSender';
import { useLesson, useLessonChange, useLessons, useTakes } from '../../api/lesson';
import { refreshLesson } from '../../api/queries';
import type { Lesson, Section, Take } from '../../api/types';
import { bringIn, type BroughtTake, LARGEST_RECORDING } from '../../recorder/importMedia';
import { useNotices } from '../../ui/Notices';
import { sectionTitle } from '../../shell/sectionState';
import { SendingBar } from '../../ui/SendingBar';
import { clock } from '../../lib/time';

interface Props {
    lesson: Lesson;
    section: Section;
    onTake: (take: string) => void;
}

/** A recording made elsewhere becomes a take: of this section, or of all the sections that it speaks. */
export function ImportDialog({ lesson, section, onTake }: Props) {
    const [open, setOpen] = useState(false);
    const [file, setFile] = useState<File | null>(null);
    const [whole, setWhole] = useState(false);
    const [from, setFrom] = useState<'file' | 'take'>('file');
    const [take, setTake] = useState<string | null>(null);
    const { failed } = useNotices();
    const [sender] = useState(() => new FileSender<BroughtTake>());
    const now = useSyncExternalStore(sender.subscribe, sender.snapshot);
    const isSending = now.state === 'sending' || now.state === 'waiting';
    const bring = async () => {
        const brought = file && (await sender.send(file, bringIn(section.id, whole), LARGEST_RECORDING));
        if (brought) {
            await refreshLesson(lesson.id);
            onTake(brought.take);
            setOpen(false);
            setFile(null);
        }
    };
    const copy = useLessonChange(lesson.id, (id: string) =>
        api.post<Take>(`sections/${section.id}/takes/copy`, { take: id }),
    );
    const bringTake = () => {
        if (take) {
            copy.mutate(take, {
                onSuccess: (made) => {
                    onTake(made.id);
                    setOpen(false);
                    setTake(null);
                },
                onError: failed,
            });
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
                    <Modal.Title as="h2" id="bring-in" className="h5">
                        Bring in a recording
                    </Modal.Title>
                </Modal.Header>
                <Modal.Body className="d-grid gap-3">
                    <div role="group" aria-label="Where it comes from" className="d-flex gap-4">
                        <Form.Check
                            type="radio"
                            id="bring-a-file"
                            label="A file"
                            checked={from === 'file'}
                            disabled={isSending}
                            onChange={() => setFrom('file')}
                        />
                        <Form.Check
                            type="radio"
                            id="bring-a-take"
                            label="A take of another section or lesson"
                            checked={from === 'take'}
                            disabled={isSending}
                            onChange={() => setFrom('take')}
                        />
                    </div>
                    {from === 'take' && <TakeChoice lesson={lesson} section={section} onChoose={setTake} />}
                    {from === 'file' && (
                        <>
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
                        </>
                    )}
                    <SendingBar now={now} />
                </Modal.Body>
                <Modal.Footer>
                    {isSending ? (
                        <Button variant="quiet" onClick={() => void cancel()}>
                            Cancel
                        </Button>
                    ) : (
                        <Button
                            disabled={from === 'file' ? !file : !take || copy.isPending}
                            onClick={() => void (from === 'file' ? bring() : bringTake())}
                        >
                            Bring it in
                        </Button>
                    )}
                </Modal.Footer>
            </Modal>
        </>
    );
}

/** The takes of another section, of this lesson at first. */
function TakeChoice({
    lesson,
    section,
    onChoose,
}: {
    lesson: Lesson;
    section: Section;
    onChoose: (take: string | null) => void;
}) {
    const { data: lessons } = useLessons();
    const [from, setFrom] = useState(lesson.id);
    const [of, setOf] = useState<string>();
    const { data: other } = useLesson(from);
    const { data: all } = useTakes(from, of);
    const takes = all?.filter((take) => take.state === 'ready') ?? [];
    const sections = (other?.sections ?? []).filter((one) => one.id !== section.id && one.take_count > 0);
    return (
        <>
            <Form.Group controlId="copy-lesson">
                <Form.Label>Lesson</Form.Label>
                <Form.Select
                    value={from}
                    onChange={(event) => {
                        setFrom(event.target.value);
                        setOf(undefined);
                        onChoose(null);
                    }}
                >
                    {lessons?.map((one) => (
                        <option key={one.id} value={one.id}>
                            {one.title}
                        </option>
                    ))}
                </Form.Select>
            </Form.Group>
            <Form.Group controlId="copy-section">
                <Form.Label>Section</Form.Label>
                <Form.Select
                    key={from}
                    defaultValue=""
                    disabled={sections.length === 0}
                    onChange={(event) => {
                        setOf(event.target.value || undefined);
                        onChoose(null);
                    }}
                >
                    <option value="">{sections.length === 0 ? 'There is no take in it' : 'Choose one'}</option>
                    {sections.map((one) => (
                        <option key={one.id} value={one.id}>
                            {sectionTitle(one, (other?.sections ?? []).indexOf(one))}
                        </option>
                    ))}
                </Form.Select>
            </Form.Group>
            <Form.Group controlId="copy-take">
                <Form.Label>Take</Form.Label>
                <Form.Select
                    key={of}
                    defaultValue=""
                    disabled={takes.length === 0}
                    onChange={(event) => onChoose(event.target.value || null)}
                >
                    <option value="">Choose one</option>
                    {takes.map((take) => (
                        <option key={take.id} value={take.id}>
                            Take {take.number} ({clock(take.length_ms)})
                        </option>
                    ))}
                </Form.Select>
                <Form.Text>
                    It is listened to against the words of this section. The other one stays where it is.
                </Form.Text>
            </Form.Group>
        </>
    );
}
