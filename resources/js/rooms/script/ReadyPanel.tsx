import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import Offcanvas from 'react-bootstrap/Offcanvas';
import { api } from '../../api/client';
import type { Finding, Lesson } from '../../api/types';
import { Icon } from '../../ui/Icon';

interface Props {
    show: boolean;
    lesson: Lesson;
    onClose: () => void;
    onGo: (at: number) => void;
    /** Brings the last words to the server, so that it looks at what stands on the page. */
    beforeLook: () => Promise<void>;
}

/** What is still missing before recording, each with its place. Nothing of it stops anyone. */
export default function ReadyPanel({ show, lesson, onClose, onGo, beforeLook }: Props) {
    const [asked, setAsked] = useState(false);
    const [chosen, setChosen] = useState<number | null>(null);
    useEffect(() => {
        setAsked(false);
        if (show) {
            setChosen(null);
            void beforeLook().then(() => setAsked(true));
        }
    }, [show, beforeLook]);
    const { data: found } = useQuery({
        queryKey: ['ready', lesson.id, lesson.revision],
        queryFn: () => api.get<Finding[]>(`lessons/${lesson.id}/script/ready`),
        enabled: show && asked,
    });
    return (
        <Offcanvas
            show={show}
            onHide={onClose}
            placement="end"
            aria-labelledby="ready-title"
            className="side-panel"
            restoreFocus={chosen === null}
            onExited={() => {
                if (chosen !== null) {
                    // Only after this does the panel let go of the focus.
                    setTimeout(() => onGo(chosen));
                }
            }}
        >
            <Offcanvas.Header closeButton>
                <Offcanvas.Title id="ready-title" as="h2">
                    Ready to record?
                </Offcanvas.Title>
            </Offcanvas.Header>
            <Offcanvas.Body aria-live="polite">
                {found?.length === 0 && (
                    <p>
                        <Icon name="check" /> Nothing is missing. You can record.
                    </p>
                )}
                {found && found.length > 0 && (
                    <>
                        <p className="soft">You can record all the same; these are worth a look.</p>
                        <ul className="finding-list">
                            {found.map((finding, index) => (
                                <li key={index}>
                                    {finding.at === null ? (
                                        finding.says
                                    ) : (
                                        <button
                                            type="button"
                                            onClick={() => {
                                                setChosen(finding.at);
                                                onClose();
                                            }}
                                        >
                                            {finding.says}
                                        </button>
                                    )}
                                </li>
                            ))}
                        </ul>
                    </>
                )}
            </Offcanvas.Body>
        </Offcanvas>
    );
}
