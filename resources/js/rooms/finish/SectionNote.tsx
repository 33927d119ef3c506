import { Link } from 'react-router';
import type { Lesson, Section } from '../../api/types';
import { pickupPath, roomPath } from '../../shell/paths';
import { sectionState } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';

/** What a pickup would mend. */
function pickupSays(changed: number, missing: number): string {
    const lines = (count: number) => (count === 1 ? '1 line' : `${count} lines`);
    return [changed > 0 && `${lines(changed)} reworded`, missing > 0 && `${lines(missing)} not spoken`]
        .filter(Boolean)
        .join(', ');
}

/** What is missing, waits or is to be looked at, with the way to mend it. */
export function SectionNote({
    lesson,
    section,
    index,
    isHeard,
}: {
    lesson: Lesson;
    section: Section;
    index: number;
    isHeard: boolean;
}) {
    const state = sectionState(section);
    const review = roomPath(lesson.id, 'review', section.id);
    const changed = section.coverage.lines.filter(({ was }) => was !== null).length;
    const missing = isHeard ? section.coverage.missing.length : 0;
    // What a take speaks is known once it was read.
    const pickup =
        isHeard && !state.reading
            ? section.coverage.lines.filter(({ take, was }) => take === null || was !== null).map(({ id }) => id)
            : [];
    if (section.card) {
        return null;
    }
    return (
        <small className="soft">
            {state.reading ? (
                <Link to={review}>take {state.reading.number} is being read</Link>
            ) : !isHeard && state.waiting ? (
                <Link to={review}>Take {state.waiting.number} waits for your verdict</Link>
            ) : !isHeard && !section.coverage.elsewhere ? (
                <Link to={roomPath(lesson.id, 'record', section.id)}>Record section {index + 1}</Link>
            ) : section.coverage.elsewhere ? (
                'spoken in the take of another section'
            ) : (
                state.kept && <Link to={review}>take {state.kept.number}</Link>
            )}
            {pickup.length > 0 && (
                <Link className="flag ms-2" to={pickupPath(lesson.id, section.id, pickup)}>
                    <Icon name="exclamation" /> {pickupSays(changed, missing)}: record{' '}
                    {pickup.length === 1 ? 'it' : 'them'}
                </Link>
            )}
            {state.kept && state.notched && pickup.length === 0 && (
                <Link className="flag ms-2" to={review}>
                    <Icon name="exclamation" /> look here
                </Link>
            )}
        </small>
    );
}
