import type { Cleaning, TakeAlignment } from '../../api/types';

export const isOff = (cleaning: Cleaning): boolean => cleaning.noise === 'off' && !cleaning.hum && !cleaning.low_cut;

/** What is done to a sound, in words. */
export function cleaningSays(cleaning: Cleaning): string {
    const does = [
        cleaning.noise === 'light' ? 'less noise' : cleaning.noise === 'strong' ? 'much less noise' : null,
        cleaning.hum ? 'no hum' : null,
        cleaning.low_cut ? 'no rumble' : null,
    ].filter((one) => one !== null);
    return does.length === 0 ? 'as recorded' : does.join(', ');
}

/** How far the room lies under the voice, and what that means; the limits are those of the set-up. */
export function roomSays(heard: Pick<TakeAlignment, 'voice_db' | 'noise_db'> | undefined): string {
    if (!heard || heard.voice_db === null || heard.noise_db === null) {
        return 'Nobody is heard speaking.';
    }
    const under = Math.round(heard.voice_db - heard.noise_db);
    return under >= 30
        ? `The room lies ${under} dB under your voice: fine.`
        : under >= 20
          ? `The room lies ${under} dB under your voice: light noise reduction helps.`
          : `The room lies only ${under} dB under your voice: noise reduction helps, a quieter room more.`;
}
