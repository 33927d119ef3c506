import { Link } from 'react-router';
import type { Lesson, Section } from '../api/types';
import { roomPath } from './paths';
import { sectionTitle } from './sectionState';

/** Sections of a lesson by their names, each a way to where it is recorded. */
export function SectionLinks({ lesson, sections }: { lesson: Lesson; sections: Section[] }) {
    return sections.map((one, index) => (
        <span key={one.id}>
            {index > 0 && ', '}
            <Link to={roomPath(lesson.id, 'record', one.id)}>{sectionTitle(one, lesson.sections.indexOf(one))}</Link>
        </span>
    ));
}
