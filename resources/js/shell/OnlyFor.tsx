import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { may } from '../api/me';
import type { Right } from '../api/types';
import { EmptyPlace } from '../ui/EmptyPlace';
import { useLessonPlace } from './LessonFrame';
import { roomPath } from './paths';

const refusals: Partial<Record<Right, string>> = {
    write: 'You look at this lesson as a reviewer: read its script, watch its draft, and say what you think of it.',
    record: 'You take part in this lesson as an editor: takes are recorded by its presenters.',
};

interface Props {
    right: Right;
    room: string;
    children: ReactNode;
}

/** A room for those whose role allows it. The others are told what they can do instead. */
export function OnlyFor({ right, room, children }: Props) {
    const { lesson } = useLessonPlace();
    if (may(lesson, right)) {
        return children;
    }
    return (
        <EmptyPlace
            room={room}
            says={refusals[may(lesson, 'write') ? right : 'write'] ?? 'Your role does not do that.'}
        >
            <Link className="btn btn-primary" to={roomPath(lesson.id, 'people')}>
                {may(lesson, 'write') ? 'Who takes part' : 'Look at the draft'}
            </Link>
        </EmptyPlace>
    );
}
