import type { EditorState, TransactionSpec } from '@codemirror/state';

/** The change that makes a text of another one, kept to the stretch in which they differ, so that the cursor stays. */
export function replacement(state: EditorState, text: string): TransactionSpec {
    const old = state.doc.toString();
    if (old === text) {
        return {};
    }
    let start = 0;
    const shorter = Math.min(old.length, text.length);
    while (start < shorter && old[start] === text[start]) {
        start++;
    }
    let end = 0;
    while (end < shorter - start && old[old.length - 1 - end] === text[text.length - 1 - end]) {
        end++;
    }
    return { changes: { from: start, to: old.length - end, insert: text.slice(start, text.length - end) } };
}

/** The rows in which two texts differ, with as little around them as can be. */
export function differingRows(a: string, b: string): { a: string[]; b: string[]; before: number } {
    const left = a.split('\n');
    const right = b.split('\n');
    let start = 0;
    while (start < Math.min(left.length, right.length) && left[start] === right[start]) {
        start++;
    }
    let end = 0;
    while (
        end < Math.min(left.length, right.length) - start &&
        left[left.length - 1 - end] === right[right.length - 1 - end]
    ) {
        end++;
    }
    return { a: left.slice(start, left.length - end), b: right.slice(start, right.length - end), before: start };
}
