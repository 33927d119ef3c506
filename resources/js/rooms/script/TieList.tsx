import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { TieProposal } from '../../api/types';

interface Props {
    proposals: TieProposal[];
    onAccept: (ties: TieProposal[]) => void;
    onClose: () => void;
}

/** Proposals where slides come up, each with its reason; taken all at once or one by one. */
export function TieList({ proposals, onAccept, onClose }: Props) {
    const [left, setLeft] = useState<string[]>([]);
    const chosen = proposals.filter((tie) => !left.includes(tie.slide));
    if (proposals.length === 0) {
        return <p className="soft">Every slide that fits is tied already, or none shares words with the script.</p>;
    }
    return (
        <section className="tie-list" aria-label="Proposed ties">
            <ol>
                {proposals.map((tie) => (
                    <li key={tie.slide}>
                        <img src={tie.url} alt="" />
                        <Form.Check
                            id={`tie-${tie.slide}`}
                            checked={!left.includes(tie.slide)}
                            onChange={(event) =>
                                setLeft(
                                    event.target.checked ? left.filter((id) => id !== tie.slide) : [...left, tie.slide],
                                )
                            }
                            label={
                                <>
                                    <strong>{tie.name}</strong>
                                    <br />
                                    Section {tie.section}: “{tie.line}”
                                    <br />
                                    <span className="soft">{tie.because}</span>
                                </>
                            }
                        />
                    </li>
                ))}
            </ol>
            <div className="panel-row">
                <Button size="sm" disabled={chosen.length === 0} onClick={() => onAccept(chosen)}>
                    Tie {chosen.length === proposals.length ? 'all' : chosen.length} of them
                </Button>
                <Button size="sm" variant="quiet" onClick={onClose}>
                    Not now
                </Button>
            </div>
        </section>
    );
}
