import { type DragEvent, type ReactNode, useId, useRef, useState } from 'react';
import Spinner from 'react-bootstrap/Spinner';
import type { Lesson, Slide } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { bringSlides, slideTypes } from '../../ui/importSlides';
import { useLessonChange } from '../../api/lesson';

interface Props {
    lesson: Lesson;
    slide?: Slide | null;
    label: string;
    /** The names of the slides that pictures became, in order. */
    onBrought: (names: string[]) => void;
    children?: ReactNode;
}

/** Many refusals are one notice, not a row of them. */
function sayRefused(say: (says: string) => void, refused: string[]): void {
    const shown = refused.slice(0, 5).join(' ');
    if (refused.length > 0) {
        say(refused.length > 5 ? `${shown} And ${refused.length - 5} more were refused.` : shown);
    }
}

/** A place to drop slides on, or to choose them from. Several at once go on to the sections that follow. */
export function SlideDrop({ lesson, slide, label, onBrought, children }: Props) {
    const id = useId();
    const input = useRef<HTMLInputElement>(null);
    const [over, setOver] = useState(false);
    const { say, failed } = useNotices();
    const [progress, setProgress] = useState({ sent: 0, of: 0 });
    const send = useLessonChange(lesson.id, async (files: File[]) => {
        setProgress({ sent: 0, of: files.length });
        const answer = await bringSlides(lesson.id, files, 'add', (sent) => setProgress({ sent, of: files.length }));
        sayRefused(say, answer.refused);
        onBrought(answer.names);
    });
    const bring = (list: FileList | null) => {
        const files = [...(list ?? [])];
        if (files.length > 0) {
            send.mutate(files, { onError: failed });
        }
        if (input.current) {
            input.current.value = '';
        }
    };
    const drop = (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        bring(event.dataTransfer.files);
    };
    return (
        <label
            htmlFor={id}
            className={`slide-drop${over ? ' over' : ''}${slide ? ' has-slide' : ''}`}
            onDragOver={(event) => {
                event.preventDefault();
                setOver(true);
            }}
            onDragLeave={() => setOver(false)}
            onDrop={drop}
        >
            {slide && <img src={slide.url} alt={`Slide: ${slide.name}`} title={slide.name} />}
            <span className={slide ? 'replace' : 'invite'}>
                {send.isPending ? (
                    <>
                        <Spinner size="sm" aria-hidden="true" /> Adding
                        {progress.of > 1 ? ` ${progress.sent} of ${progress.of}` : ''}...
                    </>
                ) : slide ? (
                    'Change slide'
                ) : (
                    (children ?? (
                        <>
                            <Icon name="plus" /> Add a slide
                        </>
                    ))
                )}
            </span>
            <input
                ref={input}
                id={id}
                className="visually-hidden"
                type="file"
                multiple
                accept={slideTypes}
                aria-label={label}
                onChange={(event) => bring(event.target.files)}
            />
        </label>
    );
}
