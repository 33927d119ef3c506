import { writeCue } from '../../lib/scriptSyntax';

/** What a music cue says, as core/Script/MusicCue.php reads it. */
export interface MusicSaid {
    name: string;
    /** dB over what the house style has. */
    level: number;
    /** Seconds. */
    fadeIn: number;
    fadeOut: number;
    round: boolean;
}

const usual = { level: 0, fadeIn: 0.5, fadeOut: 2, round: true };

/** @returns null for a cue that ends music, or that cannot be read */
export function readMusic(value: string): MusicSaid | null {
    const [name = '', ...parts] = value.split(',').map((part) => part.trim());
    if (name === '' || name.toLowerCase() === 'none') {
        return null;
    }
    const said: MusicSaid = { name, ...usual };
    for (const part of parts) {
        const level = /^([+\-−]?)(\d+(?:\.\d+)?)\s*dB$/i.exec(part);
        const fade = /^(in|out)\s+(\d+(?:[.,]\d+)?)\s*(?:s|sec|secs|seconds?)?$/i.exec(part);
        if (level) {
            said.level = (level[1] === '' || level[1] === '+' ? 1 : -1) * Number(level[2]);
        } else if (fade) {
            said[fade[1]?.toLowerCase() === 'in' ? 'fadeIn' : 'fadeOut'] = Number(fade[2]?.replace(',', '.'));
        } else if (part.toLowerCase() === 'once') {
            said.round = false;
        } else {
            return null;
        }
    }
    return said;
}

/** Only what is not as usual is written. */
export function writeMusic({ name, level, fadeIn, fadeOut, round }: MusicSaid): string {
    const parts = [
        name,
        level !== usual.level && `${level} dB`,
        fadeIn !== usual.fadeIn && `in ${fadeIn} s`,
        fadeOut !== usual.fadeOut && `out ${fadeOut} s`,
        !round && 'once',
    ];
    return writeCue('music', parts.filter(Boolean).join(', '));
}
