import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { writeCue } from '../../lib/scriptSyntax';
import type { Placing } from './placing';
import { SeenRow } from './SeenRow';

interface Props {
    hasStage: boolean;
    disabled: boolean;
    onChoose: (cue: string, says: string) => void;
    onPlace: (what: Partial<Placing> & Pick<Placing, 'what'>) => void;
}

/** Words that are seen: a label on the stage, and who is seen. */
export function TextChoices({ hasStage, disabled, onChoose, onPlace }: Props) {
    const [label, setLabel] = useState('');
    const [name, setName] = useState('');
    const [role, setRole] = useState('');
    return (
        <>
            <SeenRow label="Label">
                <Form.Control
                    size="sm"
                    aria-label="Words of the label"
                    placeholder="A few words"
                    value={label}
                    maxLength={60}
                    disabled={!hasStage}
                    onChange={(event) => setLabel(event.target.value)}
                />
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled || !hasStage || label.trim() === ''}
                    title={hasStage ? undefined : 'Nothing is on the stage here.'}
                    onClick={() => onPlace({ what: 'label', text: label })}
                >
                    Place it...
                </Button>
            </SeenRow>
            <SeenRow label="Name">
                <Form.Control
                    size="sm"
                    aria-label="Who is seen"
                    placeholder="The presenter"
                    value={name}
                    maxLength={50}
                    onChange={(event) => setName(event.target.value)}
                />
                <Form.Control
                    size="sm"
                    aria-label="What they are"
                    placeholder="What they are"
                    value={role}
                    maxLength={50}
                    onChange={(event) => setRole(event.target.value)}
                />
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled}
                    onClick={() =>
                        onChoose(writeCue('name', role.trim() ? `${name.trim()}, ${role.trim()}` : name), 'The name')
                    }
                >
                    Show it
                </Button>
            </SeenRow>
        </>
    );
}
