const SVG = 'http://www.w3.org/2000/svg';

/** Light squares round it, that scanners want (ISO/IEC 18004, section 6.3.8). */
const QUIET = 4;

/** The symbol of an address (ISO/IEC 18004), dark on light whatever stands round it; a square is one unit. */
export async function qrCode(address: string, name: string): Promise<SVGSVGElement> {
    const { default: symbol } = await import('qrcode-generator');
    const code = symbol(0, 'M');
    code.addData(address);
    code.make();
    const count = code.getModuleCount();
    const squares = [];
    for (let row = 0; row < count; row++) {
        for (let column = 0; column < count; column++) {
            if (code.isDark(row, column)) {
                squares.push(`M${column + QUIET} ${row + QUIET}h1v1h-1z`);
            }
        }
    }
    const picture = document.createElementNS(SVG, 'svg');
    const side = count + 2 * QUIET;
    picture.setAttribute('viewBox', `0 0 ${side} ${side}`);
    picture.setAttribute('role', 'img');
    picture.setAttribute('aria-label', name);
    const path = document.createElementNS(SVG, 'path');
    path.setAttribute('d', squares.join(''));
    picture.append(path);
    return picture;
}
