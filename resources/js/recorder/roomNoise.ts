/** Speech needs so much over the room's noise to sound clean, and so much to be understood without effort, in dB. */
const CLEAN_DB = 30;
const CLEAR_DB = 20;
/** A quieter room is not heard at all. */
const SILENT_ROOM_DB = -65;

/** What the noise of the room means for the recording; null as long as room and voice are not both known. */
export function roomSays(levels: { roomDb: number | null; voiceDb: number | null } | null): string | null {
    if (levels === null || levels.roomDb === null || levels.voiceDb === null) {
        return null;
    }
    const under = Math.round(levels.voiceDb - levels.roomDb);
    if (levels.roomDb < SILENT_ROOM_DB) {
        return 'The room is silent: fine.';
    }
    if (under >= CLEAN_DB) {
        return `The room is heard a little. It will be ${under} dB under your voice: fine.`;
    }
    return under >= CLEAR_DB
        ? `A fan or the street is heard, ${under} dB under your voice. It can be reduced afterwards; quieter is better.`
        : `The room is loud: only ${under} dB under your voice. Close the window, switch off the fan, ` +
              'or come nearer to the microphone.';
}
