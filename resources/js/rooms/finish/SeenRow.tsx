import type { ReactNode } from 'react';

/** A row of choices, with what they are about. */
export function SeenRow({ label, children }: { label: string; children: ReactNode }) {
    return (
        <div className="seen-row" role="group" aria-label={label}>
            <span>{label}</span>
            <div>{children}</div>
        </div>
    );
}
