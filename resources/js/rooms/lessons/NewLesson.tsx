import { useMutation } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { useCourses, useLessons } from '../../api/lesson';
import { may } from '../../api/me';
import { setup } from '../../api/setup';
import { bringSlides, slideTypes } from '../../ui/importSlides';
import { FrameSelect } from '../../ui/style/FrameSelect';
import { begin, type Beginning, lastSetup, rememberSetup } from './begin';

/** Asks what a lesson cannot do without: a title, and the frame, which is chosen once. The rest can come along. */
export function NewLesson({ onClose }: { onClose: () => void }) {
    const go = useNavigate();
    const { data: all = [] } = useCourses();
    const courses = all.filter((one) => may(one, 'write'));
    const { data: lessons = [] } = useLessons();
    const [title, setTitle] = useState('');
    const [guess, setGuess] = useState('');
    const [file, setFile] = useState<File | null>(null);
    const [chosen, setChosen] = useState<Partial<Beginning>>(lastSetup);
    const course = courses.find((one) => one.id === chosen.course) ?? null;
    const like = lessons.find((one) => one.id === chosen.like) ?? null;
    const from = like ?? course?.style ?? { width: 1920, height: 1080, fps: 25 };
    const width = chosen.width ?? Number(from.width);
    const height = chosen.height ?? Number(from.height);
    const fps = chosen.fps ?? Number(from.fps);
    const make = useMutation({
        mutationFn: () =>
            begin(
                {
                    title,
                    titleIsGuess: title === guess,
                    course: course?.id ?? null,
                    like: like?.id ?? null,
                    width,
                    height,
                    fps,
                    file,
                },
                api,
                bringSlides,
            ),
        onSuccess: (lesson) => {
            rememberSetup({ course: course?.id ?? null, width, height, fps });
            void go(`/lessons/${lesson.id}/script`);
        },
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
                    <div className="pair mb-3">
                        <Form.Group controlId="course">
                            <Form.Label>Course, for its house style</Form.Label>
                            <Form.Select
                                value={course?.id ?? ''}
                                onChange={(e) => setChosen({ like: chosen.like, course: e.target.value || null })}
                            >
                                <option value="">None</option>
                                {courses.map((one) => (
                                    <option key={one.id} value={one.id}>
                                        {one.name}
                                    </option>
                                ))}
                            </Form.Select>
                        </Form.Group>
                        <Form.Group controlId="like">
                            <Form.Label>Copy the sections of</Form.Label>
                            <Form.Select
                                value={like?.id ?? ''}
                                disabled={file !== null}
                                onChange={(e) => setChosen({ course: chosen.course, like: e.target.value || null })}
                            >
                                <option value="">Start from scratch</option>
                                {lessons.map((one) => (
                                    <option key={one.id} value={one.id}>
                                        {one.title}
                                    </option>
                                ))}
                            </Form.Select>
                        </Form.Group>
                    </div>
                    <Form.Group className="mb-3" controlId="source">
                        <Form.Label>Script or slides to start with, if you have them</Form.Label>
                        <Form.Control
                            type="file"
                            accept={`.md,.markdown,.txt,.docx,.odt,${slideTypes}`}
                            onChange={(e) => {
                                const picked = (e.target as HTMLInputElement).files?.[0] ?? null;
                                setFile(picked);
                                if (picked && (title === '' || title === guess)) {
                                    const called = picked.name.replace(/\.[^.]*$/, '').replace(/[-_]+/g, ' ');
                                    setTitle(called);
                                    setGuess(called);
                                }
                            }}
                        />
                    </Form.Group>
                    <div className="pair">
                        <Form.Group>
                            <Form.Label htmlFor="frame">Frame size</Form.Label>
                            <FrameSelect
                                id="frame"
                                value={`${width}x${height}`}
                                onChange={(w, h) => setChosen({ ...chosen, width: w, height: h })}
                            />
                        </Form.Group>
                        <Form.Group controlId="fps">
                            <Form.Label>Frames per second</Form.Label>
                            <Form.Select
                                size="sm"
                                value={fps}
                                onChange={(e) => setChosen({ ...chosen, fps: Number(e.target.value) })}
                            >
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
                        {make.isPending ? 'Creating...' : 'Create lesson'}
                    </Button>
                </Modal.Footer>
            </Form>
        </Modal>
    );
}
