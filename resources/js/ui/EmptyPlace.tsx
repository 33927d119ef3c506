import type { ReactNode } from 'react';

interface Props {
    says: string;
    /** Names the room when the whole of it is empty. */
    room?: string;
    children?: ReactNode;
}

/** What an empty place says: one sentence, one action. */
export function EmptyPlace({ says, room, children }: Props) {
    const Box = room ? 'main' : 'div';
    return (
        <Box className="empty-place">
            {room && <h1 className="visually-hidden">{room}</h1>}
            <p>{says}</p>
            {children}
        </Box>
    );
}
