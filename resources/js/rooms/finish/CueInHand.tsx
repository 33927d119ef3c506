import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import type { Lesson, PlacedCue } from '../../api/types';
import { readMusic } from './music';
import { MusicForm } from './MusicForm';

interface Props {
    lesson: Lesson;
    cue: PlacedCue;
    scriptPath: string;
    disabled: boolean;
    onChange: (cue: string) => void;
    onClose: () => void;
}

/** A cue of the script: what it says, to be changed or taken away. */
export function CueInHand({ lesson, cue, scriptPath, disabled, onChange, onClose }: Props) {
    const [text, setText] = useState(cue.text);
    const music = cue.kind === 'music' ? readMusic(cue.value) : null;
    return (
        <section className="what-is-seen" aria-label="Cue">
            <header>
                <h2>{music ? 'Music' : 'Cue'}</h2>
                <Link to={scriptPath}>On the Script page</Link>
                <Button size="sm" variant="quiet" onClick={onClose}>
                    Done
                </Button>
            </header>
            {music ? (
                <MusicForm
                    lesson={lesson}
                    said={music}
                    disabled={disabled}
                    onChange={onChange}
                    onTakeAway={() => onChange('')}
                />
            ) : (
                <Form
                    className="cue-form"
                    onSubmit={(event) => {
                        event.preventDefault();
                        onChange(text.trim());
                    }}
                >
                    <Form.Control
                        aria-label="The cue as it is written"
                        value={text}
                        maxLength={400}
                        onChange={(event) => setText(event.target.value)}
                    />
                    <Button type="submit" disabled={disabled || text.trim() === '' || text.trim() === cue.text}>
                        Change
                    </Button>
                    <Button variant="quiet" disabled={disabled} onClick={() => onChange('')}>
                        Take away
                    </Button>
                </Form>
            )}
            {cue.problem && <p className="flag mb-0">{cue.problem}</p>}
        </section>
    );
}
