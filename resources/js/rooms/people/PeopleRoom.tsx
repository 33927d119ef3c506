import { useMe } from '../../api/me';
import { useLessonPlace } from '../../shell/LessonFrame';
import { DraftPanel } from './DraftPanel';
import { History } from '../../ui/people/History';
import { MembersPanel } from '../../ui/people/MembersPanel';

/** Who takes part in a lesson, what they think of its draft, and who did what. */
export default function PeopleRoom() {
    const { lesson } = useLessonPlace();
    const people = useMe()?.mode === 'people';
    return (
        <main className="room people-room">
            <h1 className="visually-hidden">{people ? 'People and history' : 'History'}</h1>
            <div className="people-columns">
                <div>
                    <DraftPanel lesson={lesson} alone={!people} />
                    {people && <MembersPanel place={{ kind: 'lessons', id: lesson.id }} called={lesson.title} />}
                </div>
                <History place={{ kind: 'lessons', id: lesson.id }} />
            </div>
        </main>
    );
}
