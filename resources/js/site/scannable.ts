import { qrCode } from '../lib/qrCode';

/** Draws the address of each link with `data-scannable`, the name of the picture, for a telephone, behind its paragraph. */
export function drawScannable(within: ParentNode): void {
    for (const link of within.querySelectorAll<HTMLAnchorElement>('a[data-scannable]')) {
        const figure = document.createElement('figure');
        figure.className = 'scannable';
        void qrCode(link.href, link.dataset['scannable'] ?? '').then((picture) => {
            figure.append(picture);
            (link.closest('p') ?? link).after(figure);
        });
    }
}
