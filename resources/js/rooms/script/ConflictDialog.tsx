import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { differingRows } from '../../page/replace';
import type { Conflict } from '../../page/ScriptSync';

/** Two windows wrote at the same time: both versions side by side, and neither is lost. */
export default function ConflictDialog({
    conflict,
    onChoose,
}: {
    conflict: Conflict;
    onChoose: (which: 'mine' | 'theirs') => void;
}) {
    const rows = differingRows(conflict.mine, conflict.theirs);
    return (
        <Modal show size="xl" backdrop="static" keyboard={false} aria-labelledby="conflict-title" scrollable>
            <Modal.Header>
                <Modal.Title id="conflict-title" as="h2" className="h5">
                    The script was changed in another window
                </Modal.Title>
            </Modal.Header>
            <Modal.Body>
                <p>
                    Nothing is lost. Here is where the two differ. The version you do not choose stays one step of undo
                    away.
                </p>
                <div className="two-versions">
                    <Version name="This window" rows={rows.a} from={rows.before} />
                    <Version name="The other window" rows={rows.b} from={rows.before} />
                </div>
            </Modal.Body>
            <Modal.Footer>
                <Button variant="quiet" onClick={() => onChoose('theirs')}>
                    Use the other window's
                </Button>
                <Button onClick={() => onChoose('mine')}>Use this window's</Button>
            </Modal.Footer>
        </Modal>
    );
}

function Version({ name, rows, from }: { name: string; rows: string[]; from: number }) {
    return (
        <section aria-label={name}>
            <h3 className="h6">{name}</h3>
            <pre tabIndex={0}>{rows.length === 0 ? `(nothing here, in row ${from + 1})` : rows.join('\n')}</pre>
        </section>
    );
}
