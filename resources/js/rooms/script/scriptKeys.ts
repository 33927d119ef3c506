import type { Key } from '../../ui/useKeys';

const listed = (name: string, does: string): Key => ({ keys: [], name, does, act: () => {} });

/** The keys of the page; the page hears them itself. */
export const scriptKeys: Key[] = [
    listed('Ctrl Enter', 'Begin a new section here'),
    listed('Ctrl Shift Backspace', 'Join this section to the one before'),
    listed('Alt ↑ or Alt ↓', 'Move this section up or down'),
    listed('Ctrl F', 'Find in the script'),
    listed('Ctrl Z or Ctrl Y', 'Undo and redo'),
];
