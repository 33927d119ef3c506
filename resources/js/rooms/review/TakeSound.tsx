import { type RefObject, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import { useCleaned, useAlignment, useLessonChange } from '../../api/lesson';
import type { Cleaning, Lesson, Take } from '../../api/types';
import { follow } from '../../player/follow';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { useKeys } from '../../ui/useKeys';
import { cleaningSays, isOff, roomSays } from './cleaning';

const noises: [Cleaning['noise'], string][] = [
    ['off', 'As it is'],
    ['light', 'Light'],
    ['strong', 'Strong'],
];

/** How the take's sound is cleaned, kept as soon as it is chosen, and heard before and after. */
export function useTakeSound(lesson: Lesson, take: Take, media: RefObject<HTMLVideoElement | null>) {
    const { say, failed } = useNotices();
    const { data: heard } = useAlignment(take);
    const [before, setBefore] = useState(false);
    const saved = take.cleaning ?? lesson.cleaning;
    const [cleaning, setCleaning] = useState(saved);
    const save = useLessonChange(lesson.id, (to: Cleaning | null) =>
        api.patch<Take>(`takes/${take.id}`, { cleaning: to }),
    );
    const saveAll = useLessonChange(lesson.id, async (to: Cleaning) => {
        await api.patch(`lessons/${lesson.id}/style`, {
            style: {
                noise_reduction: to.noise,
                hum_filter: to.hum ? 'on' : 'off',
                low_cut: to.low_cut ? 'on' : 'off',
            },
        });
        await api.patch(`takes/${take.id}`, { cleaning: null });
    });
    // While choices are on their way, what the server knew before them is not shown in their place.
    const isSaving = save.isPending || saveAll.isPending;
    useEffect(() => {
        if (!isSaving) {
            setCleaning(saved);
        }
    }, [JSON.stringify(saved), isSaving]); // eslint-disable-line react-hooks/exhaustive-deps
    const cleaned = useCleaned(take, cleaning);
    useCleanedSound(media, before ? null : (cleaned.data?.url ?? null));
    const toggle = () => setBefore((was) => !was);
    useKeys([
        {
            keys: ['b'],
            name: 'B',
            does: 'Hear the sound as it was recorded, or cleaned',
            act: toggle,
            when: !isOff(cleaning),
        },
    ]);
    const change = (to: Cleaning) => {
        const was = take.cleaning;
        setCleaning(to);
        setBefore(false);
        save.mutate(to, {
            onSuccess: () =>
                say(`Take ${take.number}: ${cleaningSays(to)}.`, () => save.mutate(was, { onError: failed })),
            onError: (error) => {
                failed(error);
                setCleaning(saved);
            },
        });
    };
    const forAll = () => {
        const was = lesson.cleaning;
        const own = take.cleaning;
        saveAll.mutate(cleaning, {
            onSuccess: () =>
                say(`All takes of this lesson: ${cleaningSays(cleaning)}.`, () => {
                    saveAll.mutate(was, { onSuccess: () => save.mutate(own), onError: failed });
                }),
            onError: failed,
        });
    };
    const asLesson = () => save.mutate(null, { onError: failed });
    return {
        cleaning,
        before,
        toggle,
        isWaiting: cleaned.data?.ready === false,
        problem: cleaned.data?.problem,
        change,
        forAll,
        asLesson,
        heard,
    };
}

export type Sound = ReturnType<typeof useTakeSound>;

interface Props {
    lesson: Lesson;
    take: Take;
    sound: Sound;
}

/** Before and after, and the way to the panel. */
export function SoundButtons({ sound, open, onOpen }: { sound: Sound; open: boolean; onOpen: () => void }) {
    const { cleaning, before, toggle } = sound;
    return (
        <>
            <Button size="sm" variant="quiet" aria-expanded={open} onClick={onOpen}>
                Sound: {cleaningSays(cleaning)}
            </Button>
            {!isOff(cleaning) && (
                <Button size="sm" variant="quiet" aria-pressed={before} onClick={toggle}>
                    {before ? 'Before' : 'After'} <kbd>B</kbd>
                </Button>
            )}
        </>
    );
}

/** How the take's sound is cleaned in the film; the recording itself stays as it is. */
export function SoundPanel({ lesson, take, sound }: Props) {
    const { cleaning, change, forAll, asLesson, heard, isWaiting, problem } = sound;
    return (
        <div className="sound-panel" role="group" aria-label="Sound of this take">
            <p className="soft mb-0" role="status">
                {problem
                    ? `It could not be cleaned: ${problem} It is heard as it was recorded.`
                    : isWaiting
                      ? 'It is being cleaned. You hear it as it was recorded until then.'
                      : roomSays(heard)}{' '}
                The recording itself stays as it is.
            </p>
            <fieldset>
                <legend>Noise of the room</legend>
                {noises.map(([noise, says]) => (
                    <Form.Check
                        key={noise}
                        inline
                        type="radio"
                        id={`noise-${noise}`}
                        name="noise"
                        label={says}
                        checked={cleaning.noise === noise}
                        onChange={() => change({ ...cleaning, noise })}
                    />
                ))}
            </fieldset>
            <div className="sound-filters">
                <Form.Check
                    type="switch"
                    id="hum"
                    label={heard?.hum_hz ? `Filter the hum (${heard.hum_hz} Hz)` : 'Filter hum: none is heard here'}
                    checked={cleaning.hum}
                    onChange={() => change({ ...cleaning, hum: !cleaning.hum })}
                />
                <Form.Check
                    type="switch"
                    id="low-cut"
                    label="Filter rumble: steps, knocks, wind"
                    checked={cleaning.low_cut}
                    onChange={() => change({ ...cleaning, low_cut: !cleaning.low_cut })}
                />
            </div>
            <div className="d-flex flex-wrap gap-2">
                <Button size="sm" variant="quiet" onClick={forAll}>
                    Use it for all takes of the lesson
                </Button>
                {take.cleaning && (
                    <Button size="sm" variant="quiet" onClick={asLesson}>
                        <Icon name="arrowCounter" /> As in the lesson: {cleaningSays(lesson.cleaning)}
                    </Button>
                )}
            </div>
        </div>
    );
}

/** Plays the cleaned sound in step with the picture, in place of its own. */
function useCleanedSound(media: RefObject<HTMLVideoElement | null>, url: string | null): void {
    useEffect(() => {
        if (!url) {
            return;
        }
        let [letGo, frame] = [() => undefined as void, 0];
        const sound = new Audio(url);
        const begin = () => {
            const element = media.current;
            if (!element) {
                // What plays it comes when it is known what is seen.
                frame = requestAnimationFrame(begin);
                return;
            }
            element.muted = true;
            const alike = () => (sound.volume = element.volume);
            element.addEventListener('volumechange', alike);
            // What cannot be played is heard as it was recorded.
            sound.onerror = () => (element.muted = false);
            const apart = follow(element, sound, 0);
            letGo = () => {
                apart();
                element.removeEventListener('volumechange', alike);
                element.muted = false;
            };
        };
        begin();
        return () => {
            cancelAnimationFrame(frame);
            letGo();
            sound.onerror = null;
            sound.removeAttribute('src');
        };
    }, [media, url]);
}
