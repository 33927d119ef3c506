import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Modal from 'react-bootstrap/Modal';
import { Link } from 'react-router';
import { api } from '../../api/client';
import type { Lesson } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { FilePick } from '../../ui/FilePick';
import { Icon } from '../../ui/Icon';

interface Props {
    lesson: Lesson;
    plain: boolean;
    onPlain: () => void;
    onFind: () => void;
    onLook: () => void;
    onText: (text: string, how: 'replace' | 'append') => void;
}

/** What is done with the script as a whole. */
export function MoreMenu({ lesson, plain, onPlain, onFind, onLook, onText }: Props) {
    const file = useRef<HTMLInputElement>(null);
    const [found, setFound] = useState<string | null>(null);
    const { failed } = useNotices();
    const isEmpty = lesson.sections.every((section) => section.lines.length === 0);
    const read = async (chosen: File) => {
        const form = new FormData();
        form.append('file', chosen);
        try {
            const { text } = await api.post<{ text: string }>('read-script', form);
            if (isEmpty) {
                onText(text, 'replace');
            } else {
                setFound(text);
            }
        } catch (error) {
            failed(error);
        }
    };
    const choose = (how: 'replace' | 'append') => {
        onText(found ?? '', how);
        setFound(null);
    };
    return (
        <>
            <Dropdown align="end">
                <Dropdown.Toggle variant="quiet" size="sm" aria-label="More about the script">
                    <Icon name="dots" />
                </Dropdown.Toggle>
                <Dropdown.Menu>
                    <Dropdown.Item as="button" onClick={() => file.current?.click()}>
                        Import a script...
                    </Dropdown.Item>
                    <Dropdown.Item href={`/api/lessons/${lesson.id}/script/file`}>Save as a text file</Dropdown.Item>
                    <Dropdown.Item as={Link} to={`/lessons/${lesson.id}/print`}>
                        Print
                    </Dropdown.Item>
                    <Dropdown.Divider />
                    <Dropdown.Item as="button" onClick={onFind}>
                        Find <kbd>Ctrl F</kbd>
                    </Dropdown.Item>
                    <Dropdown.Item as="button" onClick={onPlain}>
                        {plain ? 'Show as a typed page' : 'Show the plain text'}
                    </Dropdown.Item>
                    <Dropdown.Divider />
                    <Dropdown.Item as="button" onClick={onLook}>
                        How this lesson looks
                    </Dropdown.Item>
                </Dropdown.Menu>
            </Dropdown>
            <FilePick
                input={file}
                label="Script file"
                accept=".md,.markdown,.txt,.docx,.odt"
                onFile={(chosen) => void read(chosen)}
            />
            <Modal show={found !== null} onHide={() => setFound(null)} aria-labelledby="bring-title">
                <Modal.Header closeButton>
                    <Modal.Title id="bring-title" as="h2" className="h5">
                        There is a script already
                    </Modal.Title>
                </Modal.Header>
                <Modal.Body>Add the new words after it, or replace it? Either can be undone on the page.</Modal.Body>
                <Modal.Footer>
                    <Button variant="quiet" onClick={() => choose('replace')}>
                        Replace it
                    </Button>
                    <Button onClick={() => choose('append')}>After it</Button>
                </Modal.Footer>
            </Modal>
        </>
    );
}
