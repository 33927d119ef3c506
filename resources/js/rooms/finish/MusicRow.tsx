import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useBringInMusic, useMusic, useMusicRemoval } from '../../api/lesson';
import type { Lesson } from '../../api/types';
import { writeCue } from '../../lib/scriptSyntax';
import { useNotices } from '../../ui/Notices';
import { FilePick } from '../../ui/FilePick';
import { Icon } from '../../ui/Icon';
import { clock } from '../../lib/time';
import type { Choice } from './WhatIsSeen';

interface Props {
    lesson: Lesson;
    disabled: boolean;
    onChoose: (choice: Choice) => void;
    onEnd: () => void;
}

/** Music to choose from, to listen to, and to bring in. */
export function MusicRow({ lesson, disabled, onChoose, onEnd }: Props) {
    const { data: offered } = useMusic(lesson.id);
    const { say, failed } = useNotices();
    const bringIn = useBringInMusic(lesson.id);
    const removal = useMusicRemoval(lesson.id);
    const [name, setName] = useState<string | null>(null);
    const pick = useRef<HTMLInputElement>(null);
    const chosen = offered?.find((one) => one.name === name) ?? offered?.[0];
    const remove = (id: string, called: string) =>
        removal.mutate(
            { id, back: false },
            {
                onSuccess: () =>
                    say(`"${called}" is removed: where it was cued nothing is heard.`, () =>
                        removal.mutate({ id, back: true }, { onError: failed }),
                    ),
                onError: failed,
            },
        );
    return (
        <>
            <Form.Select
                size="sm"
                aria-label="Music"
                value={chosen?.name ?? ''}
                onChange={(event) => setName(event.target.value)}
            >
                {offered?.map((one) => (
                    <option key={one.name} value={one.name}>
                        {one.name}: {one.says}, {clock(one.length_ms)}
                    </option>
                ))}
            </Form.Select>
            <Listen url={chosen?.url} />
            <Button
                size="sm"
                variant="quiet"
                disabled={disabled || !chosen}
                onClick={() => chosen && onChoose({ cue: writeCue('music', chosen.name), says: chosen.name })}
            >
                Play it
            </Button>
            <Button size="sm" variant="quiet" disabled={disabled} onClick={onEnd}>
                End music
            </Button>
            <Button size="sm" variant="quiet" disabled={bringIn.isPending} onClick={() => pick.current?.click()}>
                {bringIn.isPending ? 'Bringing it in...' : 'Bring in music...'}
            </Button>
            {chosen?.id && (
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={removal.isPending}
                    onClick={() => remove(chosen.id ?? '', chosen.name)}
                >
                    Remove it
                </Button>
            )}
            <FilePick
                label="Music to bring in"
                accept="audio/*,.mp3,.m4a,.ogg,.flac,.wav"
                input={pick}
                onFile={(file) =>
                    bringIn.mutate(file, {
                        onSuccess: ([last]) => {
                            setName(last?.name ?? null);
                            say(`"${last?.name}" is brought in: play it where you like.`);
                        },
                        onError: failed,
                    })
                }
            />
        </>
    );
}

/** Hears some of it before it is chosen. */
export function Listen({ url }: { url: string | undefined }) {
    const sound = useRef<HTMLAudioElement>(null);
    const [plays, setPlays] = useState(false);
    return (
        <>
            <Button
                size="sm"
                variant="quiet"
                disabled={!url}
                onClick={() => (plays ? sound.current?.pause() : void sound.current?.play().catch(() => undefined))}
            >
                <Icon name={plays ? 'pause' : 'play'} /> {plays ? 'Stop' : 'Listen'}
            </Button>
            <audio
                ref={sound}
                src={url}
                preload="none"
                onPlay={() => setPlays(true)}
                onPause={() => setPlays(false)}
                onEnded={() => setPlays(false)}
            />
        </>
    );
}
