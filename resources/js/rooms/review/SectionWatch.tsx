import { useMemo } from 'react';
import Modal from 'react-bootstrap/Modal';
import { useAssembly } from '../../api/lesson';
import type { Assembly, Lesson, Section } from '../../api/types';
import { fingerprint, planOfSection } from '../../player/plan';
import { Watch } from '../../ui/watch/Watch';

interface Props {
    lesson: Lesson;
    section: Section;
    /** Played from shortly before this line; null from the beginning. */
    line: string | null;
    onClose: () => void;
}

const BEFORE_SECONDS = 3;

/** The section as it is in the film now, over the joins between its takes. */
export function SectionWatch({ lesson, section, line, onClose }: Props) {
    const { data: whole } = useAssembly(lesson.id);
    const plan = useMemo(
        () => whole && planOfSection(whole, section.id),
        // What is rendered meanwhile changes nothing in it.
        [whole?.segments, section.id], // eslint-disable-line react-hooks/exhaustive-deps
    );
    return (
        <Modal show onHide={onClose} size="lg" centered aria-labelledby="section-watch">
            <Modal.Header closeButton>
                <Modal.Title id="section-watch" as="h2" className="h5">
                    {section.heading.trim() || 'This section'}, as it is in the film
                </Modal.Title>
            </Modal.Header>
            <Modal.Body>
                {!plan ? (
                    <p className="soft">Putting the section together...</p>
                ) : plan.segments.length === 0 ? (
                    <p className="soft">Nothing of this section is kept yet.</p>
                ) : (
                    <Watch key={fingerprint(plan)} plan={plan} from={section.id} at={frameBefore(plan, line)} plays />
                )}
            </Modal.Body>
        </Modal>
    );
}

/** A little before the passage that begins with a line. */
function frameBefore(plan: Assembly, line: string | null): number {
    const segment = line === null ? undefined : plan.segments.find((one) => one.lines[0] === line);
    return Math.max(0, (segment?.start_frame ?? 0) - BEFORE_SECONDS * plan.fps);
}
