import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { Icon } from './Icon';
import { type Key, useKeys } from './useKeys';

/** Hears the keys of a room and lists them under `?`. */
export function KeysDialog({ keys, inDialog = false }: { keys: Key[]; inDialog?: boolean }) {
    const [open, setOpen] = useState(false);
    useKeys([...keys, { keys: ['?'], name: '?', does: 'Show these keys', act: () => setOpen(true) }], inDialog);
    return (
        <>
            <Button variant="quiet" size="sm" onClick={() => setOpen(true)}>
                <Icon name="keyboard" /> Keys <kbd>?</kbd>
            </Button>
            <Modal show={open} onHide={() => setOpen(false)} aria-labelledby="keys-title">
                <Modal.Header closeButton>
                    <Modal.Title id="keys-title" as="h2" className="h5">
                        Keys on this screen
                    </Modal.Title>
                </Modal.Header>
                <Modal.Body>
                    <dl className="keys-list mb-0">
                        {keys.map((key) => (
                            <KeyRow key={key.does} name={key.name} does={key.does} />
                        ))}
                        <KeyRow name="?" does="Show these keys" />
                    </dl>
                </Modal.Body>
            </Modal>
        </>
    );
}

function KeyRow({ name, does }: { name: string; does: string }) {
    return (
        <>
            <dt>
                {name.split(' or ').map((one, index) => (
                    <span key={one}>
                        {index > 0 && ' or '}
                        <kbd>{one}</kbd>
                    </span>
                ))}
            </dt>
            <dd>{does}</dd>
        </>
    );
}
