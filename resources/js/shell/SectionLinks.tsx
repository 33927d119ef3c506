import { Link } from 'react-router';
import type { Lesson, Section } from '../api/types';
import { roomPath } from './paths';
import { sectionTitle } from './sectionState';

/** Sections of a lesson by their names, each a way to where it is recorded, or to another room. */
export function SectionLinks({
    lesson,
    sections,
    room = 'record',
}: {
    lesson: Lesson;
    sections: Section[];
    room?: string;
}) {
    return sections.map((one, index) => (
        <span key={one.id}>
            {index > 0 && ', '}
            <Link to={roomPath(lesson.id, room, one.id)}>{sectionTitle(one, lesson.sections.indexOf(one))}</Link>
        </span>
    ));
}
