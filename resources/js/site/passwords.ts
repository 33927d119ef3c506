/** Fields for passwords: what was typed can be looked at, and a new one is told how hard it is to guess. */

const LONG = [
    [12, 'Too short so far'],
    [16, 'Fair'],
    [20, 'Good'],
    [Infinity, 'Very good'],
] as const;

/** Few different characters are as good as a short password. */
const LEAST_DIFFERENT = 6;

/**
 * How hard a password is to guess, by its length, which counts for more than what it is made of (NIST SP 800-63B, appendix A).
 * Whether it is one of those that are tried first is for the server to say.
 *
 * @returns 0..3, and the same in words
 */
export function strength(password: string): { level: number; says: string } {
    const characters = Array.from(password);
    const isUniform = new Set(characters).size < LEAST_DIFFERENT;
    const counted = isUniform ? Math.min(characters.length, LONG[0][0] - 1) : characters.length;
    const level = LONG.findIndex(([below]) => counted < below);
    const isWordless = isUniform && characters.length >= LONG[0][0];
    return { level, says: isWordless ? 'Too few different characters' : (LONG[level]?.[1] ?? '') };
}

function letLook(field: HTMLInputElement): void {
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'quiet';
    const tell = () => {
        const isShown = field.type === 'text';
        button.textContent = isShown ? 'Hide' : 'Show';
        button.setAttribute('aria-label', isShown ? 'Hide what is typed' : 'Show what is typed');
    };
    button.addEventListener('click', () => {
        field.type = field.type === 'text' ? 'password' : 'text';
        tell();
    });
    // What is sent is not remembered by the browser as an ordinary field.
    field.form?.addEventListener('submit', () => (field.type = 'password'));
    const row = document.createElement('span');
    row.className = 'password-row';
    field.replaceWith(row);
    row.append(field, button);
    tell();
}

function measure(field: HTMLInputElement): void {
    const meter = document.createElement('meter');
    meter.max = LONG.length - 1;
    meter.setAttribute('aria-label', 'How hard it is to guess');
    const words = document.createElement('span');
    words.setAttribute('role', 'status');
    const row = document.createElement('p');
    row.className = 'password-strength';
    row.append(meter, words);
    row.hidden = true;
    (field.closest('.password-row') ?? field).after(row);
    field.addEventListener('input', () => {
        const { level, says } = strength(field.value);
        row.hidden = field.value === '';
        meter.value = level;
        words.textContent = says;
    });
}

export function preparePasswords(within: ParentNode): void {
    for (const field of within.querySelectorAll<HTMLInputElement>('input[type=password]')) {
        const hadFocus = document.activeElement === field;
        letLook(field);
        if (field.autocomplete === 'new-password') {
            measure(field);
        }
        if (hadFocus) {
            field.focus();
        }
    }
}
