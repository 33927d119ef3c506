import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { madeUpPhrase } from '../lib/phrase';
import { useNotices } from '../ui/Notices';

const shortest = 8;

interface Props {
    id: string;
    /** Whether viewers need one now. */
    isSet: boolean;
    onSet: (password: string | null, done: () => void) => void;
}

/** The password that viewers of a page are asked for. */
export function WatchPassword({ id, isSet, onSet }: Props) {
    const { say } = useNotices();
    const [password, setPassword] = useState('');
    return (
        <Form
            onSubmit={(event) => {
                event.preventDefault();
                onSet(password, () => {
                    setPassword('');
                    say('The password is set.');
                });
            }}
        >
            <Form.Label htmlFor={id}>{isSet ? 'Change the password' : 'Password (none now)'}</Form.Label>
            <span className="comment-acts">
                <Form.Control
                    id={id}
                    size="sm"
                    value={password}
                    minLength={shortest}
                    maxLength={200}
                    autoComplete="off"
                    aria-describedby={`${id}-hint`}
                    onChange={(event) => setPassword(event.target.value)}
                />
                <Button size="sm" variant="quiet" onClick={() => setPassword(madeUpPhrase())}>
                    Suggest one
                </Button>
                <Button size="sm" variant="quiet" type="submit" disabled={password.length < shortest}>
                    Set
                </Button>
                {isSet && (
                    <Button
                        size="sm"
                        variant="quiet"
                        onClick={() => onSet(null, () => say('Viewers no longer need a password.'))}
                    >
                        Remove
                    </Button>
                )}
            </span>
            <Form.Text id={`${id}-hint`}>At least eight characters.</Form.Text>
        </Form>
    );
}
