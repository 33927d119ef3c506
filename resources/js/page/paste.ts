import { EditorView } from '@codemirror/view';

const blocks = new Set([
    'P',
    'DIV',
    'H1',
    'H2',
    'H3',
    'H4',
    'H5',
    'H6',
    'LI',
    'BLOCKQUOTE',
    'PRE',
    'TR',
    'SECTION',
    'ARTICLE',
]);

/**
 * What a word processor puts on the clipboard, as the text of a script: the highest headings become sections, paragraphs
 * and items of lists stay apart, everything else is words.
 */
export function scriptFromHtml(html: string): string {
    const page = new DOMParser().parseFromString(html, 'text/html');
    page.querySelectorAll('script, style, meta, link, title, head, del').forEach((element) => element.remove());
    const found: { words: string; level: number; item: boolean }[] = [];
    let open = '';
    let level = 0;
    let item = false;
    const close = () => {
        const words = open.replace(/\s+/g, ' ').trim();
        if (words !== '') {
            found.push({ words, level, item });
        }
        open = '';
    };
    const walk = (node: Node) => {
        if (node.nodeType === Node.TEXT_NODE) {
            open += node.textContent ?? '';
            return;
        }
        if (!(node instanceof HTMLElement)) {
            return;
        }
        const isBlock = blocks.has(node.tagName);
        const before = { level, item };
        if (node.tagName === 'BR') {
            open += ' ';
        }
        if (isBlock) {
            close();
            level = /^H[1-6]$/.test(node.tagName) ? Number(node.tagName[1]) : level;
            item = item || node.tagName === 'LI';
        }
        node.childNodes.forEach(walk);
        if (isBlock) {
            close();
            ({ level, item } = before);
        }
    };
    page.body.childNodes.forEach(walk);
    close();
    const levels = found.filter((one) => one.level > 0).map((one) => one.level);
    const top = Math.min(...levels);
    const section =
        levels.filter((one) => one === top).length === 1 && levels.some((one) => one > top)
            ? Math.min(...levels.filter((one) => one > top))
            : top;
    return found
        .map(({ words, level: own, item: isItem }, index) => {
            const mark = own === section || (own > 0 && own < section) ? '## ' : isItem ? '- ' : '';
            const safe = mark === '' ? words.replace(/^#/, '\\#') : words;
            const tight = isItem && found[index - 1]?.item;
            return `${index === 0 ? '' : tight ? '\n' : '\n\n'}${mark}${safe}`;
        })
        .join('');
}

/** Pasting from a word processor keeps headings and paragraphs; pasting plain text stays as it is. */
export const pasting = EditorView.domEventHandlers({
    paste(event, view) {
        const html = event.clipboardData?.getData('text/html') ?? '';
        if (!/<(p|h[1-6]|li|div)[\s>]/i.test(html)) {
            return false;
        }
        const text = scriptFromHtml(html);
        if (text === '') {
            return false;
        }
        event.preventDefault();
        // A single paragraph goes into the sentence; several stand by themselves.
        const { from } = view.state.selection.main;
        const isBlock = text.includes('\n') || text.startsWith('## ');
        const before = view.state.doc.sliceString(Math.max(0, from - 2), from);
        const lead = !isBlock || from === 0 || before.endsWith('\n\n') ? '' : before.endsWith('\n') ? '\n' : '\n\n';
        view.dispatch(view.state.replaceSelection(lead + text + (isBlock ? '\n\n' : '')), {
            userEvent: 'input.paste',
            scrollIntoView: true,
        });
        return true;
    },
});
