import { describe, expect, it } from 'vitest';
import { strength } from '../../resources/js/site/passwords';

describe('how hard a password is to guess', () => {
    it.each([
        ['', 0, 'Too short so far'],
        ['eleven char', 0, 'Too short so far'],
        ['low water at', 1, 'Fair'],
        ['low water at noon', 2, 'Good'],
        ['low water at noon, or so', 3, 'Very good'],
        // One emoji is one character.
        ['🚣🌊⚓🧭🗺🐟🦀🌧⛵🌙⭐', 0, 'Too short so far'],
        ['🚣🌊⚓🧭🗺🐟🦀🌧⛵🌙⭐🪝', 1, 'Fair'],
        ['abababababababababababab', 0, 'Too few different characters'],
        ['aaaa', 0, 'Too short so far'],
    ])('%s', (password, level, says) => {
        expect(strength(password)).toEqual({ level, says });
    });
});
