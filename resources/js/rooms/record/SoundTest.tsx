import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { levelWord } from '../../recorder/meter';
import { roomSays } from '../../recorder/roomNoise';
import { Voice, type VoiceState } from '../../recorder/voice';
import { Icon } from '../../ui/Icon';

const SECONDS = 5;
const WAVE = 120;

interface Heard {
    url: string;
    wave: number[];
    says: string;
}

/** What was heard in a recording: loudest stretch and peak in dBFS, and its wave. */
async function listen(blob: Blob): Promise<{ loudest: number; peak: number; wave: number[] }> {
    const context = new OfflineAudioContext(1, 1, 48000);
    const samples = (await context.decodeAudioData(await blob.arrayBuffer())).getChannelData(0);
    const stretch = 4800;
    let [loudest, peak] = [-96, 0];
    for (let from = 0; from < samples.length; from += stretch) {
        let sum = 0;
        for (let i = from; i < Math.min(samples.length, from + stretch); i++) {
            sum += (samples[i] ?? 0) ** 2;
            peak = Math.max(peak, Math.abs(samples[i] ?? 0));
        }
        loudest = Math.max(loudest, 10 * Math.log10(sum / stretch + 1e-10));
    }
    const step = Math.max(1, Math.floor(samples.length / WAVE));
    const wave = Array.from({ length: WAVE }, (_, i) =>
        Math.max(...Array.from({ length: Math.min(step, 200) }, (_, k) => Math.abs(samples[i * step + k] ?? 0))),
    );
    return { loudest, peak: 20 * Math.log10(peak + 1e-10), wave };
}

const verdicts = {
    silent: 'Nothing was heard. Is the microphone switched on, and the right one chosen?',
    'too quiet': 'You are too quiet. Come nearer, or turn the microphone up.',
    good: 'Good: clear and with room to spare.',
    'too loud': 'You are too loud: the peaks are cut off. Turn the microphone down, or move away a little.',
};

/** Five seconds are recorded, kept nowhere, and played back, with a word on what was heard; and the noise of the room. */
export function SoundTest({ microphone, busy }: { microphone: MediaStream | undefined; busy: boolean }) {
    const [left, setLeft] = useState<number | null>(null);
    const [heard, setHeard] = useState<Heard | null>(null);
    const [room, setRoom] = useState<string | null>(null);
    const audio = useRef<HTMLAudioElement>(null);
    const levels = useRef<VoiceState | null>(null);
    const url = heard?.url;
    useEffect(
        () => () => {
            if (url) {
                URL.revokeObjectURL(url);
            }
        },
        [url],
    );
    useEffect(() => {
        setHeard(null);
        setRoom(null);
        if (!microphone) {
            return;
        }
        const voice = new Voice(microphone, (state) => (levels.current = state));
        const timer = setInterval(() => setRoom(roomSays(levels.current)), 700);
        return () => {
            voice.close();
            clearInterval(timer);
        };
    }, [microphone]);

    const test = async () => {
        if (!microphone) {
            return;
        }
        const recorder = new MediaRecorder(new MediaStream(microphone.getAudioTracks()));
        const chunks: Blob[] = [];
        recorder.ondataavailable = ({ data }) => chunks.push(data);
        const stopped = new Promise((done) => (recorder.onstop = done));
        recorder.start();
        for (let second = SECONDS; second > 0; second--) {
            setLeft(second);
            await new Promise((go) => setTimeout(go, 1000));
        }
        recorder.stop();
        await stopped;
        setLeft(null);
        const blob = new Blob(chunks, { type: recorder.mimeType });
        const { loudest, peak, wave } = await listen(blob).catch(() => ({ loudest: -96, peak: -96, wave: [] }));
        setHeard({ url: URL.createObjectURL(blob), wave, says: verdicts[levelWord(loudest, peak)] });
        setTimeout(() => void audio.current?.play().catch(() => undefined));
    };
    return (
        <div className="sound-test">
            <div className="d-flex align-items-center gap-3">
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={!microphone || busy || left !== null}
                    onClick={() => void test()}
                >
                    <Icon name="mic" /> {left === null ? 'Test for five seconds' : `Speak: ${left}`}
                </Button>
                {heard && <audio ref={audio} src={heard.url} controls aria-label="What was heard" />}
            </div>
            <p className="mb-0" role="status">
                {heard?.says}
            </p>
            {heard && heard.wave.length > 0 && (
                <svg viewBox={`0 0 ${WAVE} 40`} className="test-wave" aria-hidden="true" preserveAspectRatio="none">
                    {heard.wave.map((peak, index) => (
                        <rect key={index} x={index} width={0.7} y={20 - 19 * peak} height={Math.max(0.6, 38 * peak)} />
                    ))}
                </svg>
            )}
            <p className="soft mb-0">{room ?? 'Say a sentence, then be silent for a moment: the room is measured.'}</p>
        </div>
    );
}
