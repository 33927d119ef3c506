import type { ReactNode } from 'react';

/** What an empty place says: one sentence, one action. */
export function EmptyPlace({ says, children }: { says: string; children?: ReactNode }) {
    return (
        <div className="empty-place">
            <p>{says}</p>
            {children}
        </div>
    );
}
