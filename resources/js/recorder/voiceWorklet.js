// Runs in an AudioWorklet: levels of 20 ms each, the room's among them as the quietest tenth of the last eight seconds.
const BLOCK_S = 0.02;
const REMEMBER = 400;
const ABOVE_ROOM_DB = 9;
const LEAST_DB = -58;
const HOLD_BLOCKS = 8;

class VoiceFinder extends AudioWorkletProcessor {
    constructor() {
        super();
        this.sum = 0;
        this.count = 0;
        this.levels = [];
        this.hold = 0;
        this.voice = null;
        this.blocks = 0;
        this.room = null;
    }

    process([input]) {
        const samples = input && input[0];
        if (!samples) {
            return true;
        }
        for (let i = 0; i < samples.length; i++) {
            this.sum += samples[i] * samples[i];
        }
        this.count += samples.length;
        if (this.count >= BLOCK_S * sampleRate) {
            this.block(10 * Math.log10(this.sum / this.count + 1e-10));
            this.sum = 0;
            this.count = 0;
        }
        return true;
    }

    block(db) {
        this.levels.push(db);
        if (this.levels.length > REMEMBER) {
            this.levels.shift();
        }
        // What the room is changes slowly: it is looked for twice a second.
        if (this.blocks++ % 25 === 0) {
            const sorted = [...this.levels].sort((a, b) => a - b);
            this.room = sorted[Math.floor(sorted.length / 10)];
        }
        const loud = db > Math.max(LEAST_DB, this.room + ABOVE_ROOM_DB);
        this.hold = loud ? HOLD_BLOCKS : Math.max(0, this.hold - 1);
        if (loud) {
            this.voice = this.voice === null ? db : this.voice + (db - this.voice) * 0.05;
        }
        this.port.postMessage({
            speaking: this.hold > 0,
            roomDb: this.levels.length >= 50 ? this.room : null,
            voiceDb: this.voice,
            milliseconds: (1000 * this.count) / sampleRate,
        });
    }
}

registerProcessor('open-reel-voice', VoiceFinder);
