import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { may } from '../api/me';
import type { Right } from '../api/types';
import { EmptyPlace } from '../ui/EmptyPlace';
import { useLessonPlace } from './LessonFrame';
import { roomPath } from './paths';

const refusals: Partial<Record<Right, string>> = {
    write: 'You are a reviewer of this lesson: read its script, watch its draft, and comment on it.',
    record: 'You are an editor of this lesson: its presenters record the takes.',
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
            says={refusals[may(lesson, 'write') ? right : 'write'] ?? 'Your role does not allow that.'}
        >
            <Link className="btn btn-primary" to={roomPath(lesson.id, 'people')}>
                {may(lesson, 'write') ? 'Who takes part' : 'Look at the draft'}
            </Link>
        </EmptyPlace>
    );
}
