import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import type { Lesson, Section } from '../../api/types';
import { roomPath } from '../../shell/paths';
import { SectionLinks } from '../../shell/SectionLinks';

interface Props {
    lesson: Lesson;
    /** Sections without a kept take, and those whose kept take is still being read. */
    unkept: Section[];
    reading: Section[];
}

/** What can be done with the film, and what is not in it. */
export function FilmNext({ lesson, unkept, reading }: Props) {
    const go = useNavigate();
    return (
        <div className="finish-next">
            <p className="soft mb-0">
                Click a word to see its frame and choose what is seen from there; draw over words to choose for them
                alone.
                {unkept.length > 0 && (
                    <>
                        {' '}
                        Without a kept take, and left out of the film:{' '}
                        <SectionLinks lesson={lesson} sections={unkept} />.
                    </>
                )}
                {reading.length > 0 && (
                    <>
                        {' '}
                        Kept and still being read: <SectionLinks lesson={lesson} sections={reading} room="review" />.
                    </>
                )}
            </p>
            <Button onClick={() => go(roomPath(lesson.id, 'handover'))}>Hand over</Button>
        </div>
    );
}
