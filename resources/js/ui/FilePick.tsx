import { type RefObject } from 'react';

interface Props {
    label: string;
    accept: string;
    /** With one, the input is opened by another control and not reached by itself. */
    input?: RefObject<HTMLInputElement | null>;
    onFile: (file: File) => void;
}

/** Asks for one file; the same file can be chosen again. */
export function FilePick({ label, accept, input, onFile }: Props) {
    return (
        <input
            ref={input}
            className="visually-hidden"
            type="file"
            tabIndex={input ? -1 : undefined}
            accept={accept}
            aria-label={label}
            onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                if (file) {
                    onFile(file);
                }
            }}
        />
    );
}
