import type { ReactNode } from 'react';
import Spinner from 'react-bootstrap/Spinner';
import { EmptyPlace } from './EmptyPlace';

interface Props {
    /** What is being waited for, as "Opening the lesson...". */
    says: string;
    /** Names the room when it cannot be shown. */
    room: string;
    /** Why it does not come, in words. */
    problem?: string | null;
    children?: ReactNode;
}

/** Stands in a place whose content is on its way, and says so when it cannot be had. */
export function Waiting({ says, room, problem, children }: Props) {
    return problem ? (
        <EmptyPlace room={room} says={problem}>
            {children}
        </EmptyPlace>
    ) : (
        <div className="empty-place">
            <Spinner aria-hidden="true" /> <p>{says}</p>
        </div>
    );
}
