import { useEffect, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { useParams } from 'react-router';
import { recall, remember } from '../../api/remembered';
import { PrompterGuest, type Shown } from '../../recorder/secondWindow';
import { useKeys } from '../../ui/useKeys';
import { Prompter } from '../../ui/Prompter';

interface Look {
    size: number;
    mirrored: boolean;
}

const STORED = 'reel.second-prompter';
const fresh: Look = { size: 2.6, mirrored: false };

const remembered = (): Look => ({ ...fresh, ...recall(STORED) });

const words = { counting: 'Starts in', rolling: 'Recording', paused: 'Paused' } as const;

/** The prompter in a window of its own, for another screen or a glass in front of the camera. It follows the room. */
export default function PrompterRoom() {
    const { lessonId = '' } = useParams();
    const [shown, setShown] = useState<Shown | null>(null);
    const [look, setLook] = useState(remembered);
    const guest = useRef<PrompterGuest | null>(null);
    useEffect(() => {
        const made = new PrompterGuest(lessonId, setShown);
        guest.current = made;
        return () => made.close();
    }, [lessonId]);
    useEffect(() => {
        remember(STORED, look);
        document.title = 'Prompter - Open Reel';
    }, [look]);
    const step = (by: number) => guest.current?.step(by);
    useKeys([
        { keys: ['ArrowDown', 'ArrowRight', 'PageDown', 'n'], name: '', does: '', act: () => step(1) },
        { keys: ['ArrowUp', 'ArrowLeft', 'PageUp', 'b'], name: '', does: '', act: () => step(-1) },
    ]);
    return (
        <main className="prompter-room room-dark">
            <h1 className="visually-hidden">Prompter</h1>
            {shown ? (
                <Prompter
                    lines={shown.lines}
                    current={shown.line}
                    size={look.size}
                    mirrored={look.mirrored}
                    onLine={(line) => guest.current?.line(line)}
                />
            ) : (
                <p className="waits">Open the lesson in Record. What is to be said comes here.</p>
            )}
            <footer>
                <p className={`live-state is-${shown?.state ?? 'idle'}`} role="status">
                    <span className="lamp" aria-hidden="true" />
                    {shown && shown.state in words
                        ? `${words[shown.state as keyof typeof words]}${shown.state === 'counting' ? ` ${shown.countLeft}` : ''}`
                        : 'Ready'}
                    {shown && <span className="soft">{shown.section}</span>}
                </p>
                <Form.Group controlId="second-size" className="d-flex align-items-center gap-2">
                    <Form.Label className="mb-0">Size</Form.Label>
                    <Form.Range
                        min={1.2}
                        max={6}
                        step={0.1}
                        value={look.size}
                        onChange={(event) => setLook({ ...look, size: Number(event.target.value) })}
                    />
                </Form.Group>
                <Form.Check
                    id="second-mirror"
                    label="Mirrored, for a glass"
                    checked={look.mirrored}
                    onChange={(event) => setLook({ ...look, mirrored: event.target.checked })}
                />
            </footer>
        </main>
    );
}
