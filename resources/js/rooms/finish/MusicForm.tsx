import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useMusic } from '../../api/lesson';
import type { Lesson } from '../../api/types';
import { Listen } from './MusicRow';
import { type MusicSaid, writeMusic } from './music';

interface Props {
    lesson: Lesson;
    said: MusicSaid;
    disabled: boolean;
    onChange: (cue: string) => void;
    onTakeAway: () => void;
}

/** The music that begins at a cue: which, how loud, how it comes and goes. */
export function MusicForm({ lesson, said, disabled, onChange, onTakeAway }: Props) {
    const { data: offered } = useMusic(lesson.id);
    const [to, setTo] = useState(said);
    const number = (name: 'level' | 'fadeIn' | 'fadeOut', label: string, [min, max, step]: number[]) => (
        <Form.Group controlId={`music-${name}`}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
                size="sm"
                type="number"
                {...{ min, max, step }}
                value={to[name]}
                onChange={(event) => setTo({ ...to, [name]: Number(event.target.value) })}
            />
        </Form.Group>
    );
    const isKnown = offered?.some((one) => one.name.toLowerCase() === to.name.toLowerCase()) ?? true;
    return (
        <Form
            className="music-form"
            onSubmit={(event) => {
                event.preventDefault();
                onChange(writeMusic(to));
            }}
        >
            <div className="placing-numbers">
                <Form.Group controlId="music-name">
                    <Form.Label>Music</Form.Label>
                    <Form.Select
                        size="sm"
                        value={to.name}
                        onChange={(event) => setTo({ ...to, name: event.target.value })}
                    >
                        {!offered?.some((one) => one.name === to.name) && <option value={to.name}>{to.name}</option>}
                        {offered?.map((one) => (
                            <option key={one.name} value={one.name}>
                                {one.name}
                            </option>
                        ))}
                    </Form.Select>
                </Form.Group>
                {number('level', 'Louder by (dB)', [-40, 12, 1])}
                {number('fadeIn', 'Fade in (s)', [0, 30, 0.1])}
                {number('fadeOut', 'Fade out (s)', [0, 30, 0.1])}
                <Form.Check
                    type="switch"
                    id="music-round"
                    label="Repeats until it is ended"
                    checked={to.round}
                    onChange={(event) => setTo({ ...to, round: event.target.checked })}
                />
            </div>
            {!isKnown && (
                <p className="flag mb-0">
                    There is no music called &quot;{to.name}&quot;, so nothing is heard. Choose another, or bring it in.
                </p>
            )}
            <div className="d-flex gap-2">
                <Button type="submit" disabled={disabled || JSON.stringify(to) === JSON.stringify(said)}>
                    Change
                </Button>
                <Listen url={offered?.find((one) => one.name === to.name)?.url} />
                <Button variant="quiet" disabled={disabled} onClick={onTakeAway}>
                    Take away
                </Button>
            </div>
        </Form>
    );
}
