import { useMutation } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { setup } from '../../api/setup';
import type { Lesson } from '../../api/types';

const sizeName = ([width, height]: [number, number]) => `${width} x ${height}`;

/** Asks what a lesson cannot do without: a title, and the frame, which is chosen once. */
export function NewLesson({ onClose }: { onClose: () => void }) {
    const go = useNavigate();
    const [title, setTitle] = useState('');
    const [size, setSize] = useState(0);
    const [fps, setFps] = useState(setup.rates[0] ?? 25);
    const make = useMutation({
        mutationFn: () => {
            const [width, height] = setup.frames[size] ?? [1920, 1080];
            return api.post<Lesson>('lessons', { title, width, height, fps });
        },
        onSuccess: (lesson) => go(`/lessons/${lesson.id}/script`),
    });
    const submit = (event: FormEvent) => {
        event.preventDefault();
        make.mutate();
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="new-lesson">
            <Form onSubmit={submit}>
                <Modal.Header closeButton>
                    <Modal.Title id="new-lesson" as="h2" className="h5">
                        New lesson
                    </Modal.Title>
                </Modal.Header>
                <Modal.Body>
                    {make.error && <Alert variant="warning">{make.error.message}</Alert>}
                    <Form.Group className="mb-3" controlId="title">
                        <Form.Label>Title</Form.Label>
                        <Form.Control
                            autoFocus
                            required
                            maxLength={200}
                            value={title}
                            onChange={(e) => setTitle(e.target.value)}
                        />
                    </Form.Group>
                    <div className="row g-3">
                        <Form.Group className="col" controlId="frame">
                            <Form.Label>Frame size</Form.Label>
                            <Form.Select value={size} onChange={(e) => setSize(Number(e.target.value))}>
                                {setup.frames.map((frame, index) => (
                                    <option key={sizeName(frame)} value={index}>
                                        {sizeName(frame)}
                                    </option>
                                ))}
                            </Form.Select>
                        </Form.Group>
                        <Form.Group className="col" controlId="fps">
                            <Form.Label>Frames a second</Form.Label>
                            <Form.Select value={fps} onChange={(e) => setFps(Number(e.target.value))}>
                                {setup.rates.map((rate) => (
                                    <option key={rate}>{rate}</option>
                                ))}
                            </Form.Select>
                        </Form.Group>
                    </div>
                    <p className="soft mt-2 mb-0">
                        Size and rate are those of the finished video. They are chosen once.
                    </p>
                </Modal.Body>
                <Modal.Footer>
                    <Button variant="quiet" onClick={onClose}>
                        Not now
                    </Button>
                    <Button type="submit" disabled={make.isPending}>
                        Make the lesson
                    </Button>
                </Modal.Footer>
            </Form>
        </Modal>
    );
}
