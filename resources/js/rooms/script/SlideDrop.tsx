import { type DragEvent, useId, useRef, useState } from 'react';
import Spinner from 'react-bootstrap/Spinner';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Slide } from '../../api/types';
import { useNotices } from '../../shell/Notices';
import { Icon } from '../../ui/Icon';

interface Props {
    lessonId: string;
    /** The section that gets the first picture; null fills the sections without a slide. */
    sectionId: string | null;
    slide?: Slide | null;
    label: string;
    hint?: string;
}

/** A place to drop slides on, or to choose them from. Several at once go on to the sections that follow. */
export function SlideDrop({ lessonId, sectionId, slide, label, hint }: Props) {
    const id = useId();
    const input = useRef<HTMLInputElement>(null);
    const [over, setOver] = useState(false);
    const { say, failed } = useNotices();
    const send = useLessonChange(lessonId, async (files: File[]) => {
        const form = new FormData();
        files.forEach((file) => form.append('files[]', file));
        if (sectionId) {
            form.append('section', sectionId);
        }
        const answer = await api.post<{ added: number; refused: string[] }>(`lessons/${lessonId}/slides`, form);
        answer.refused.forEach((why) => say(why));
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
            {slide && <img src={slide.url} alt={`Slide: ${slide.name}`} />}
            <span className={slide ? 'replace' : 'invite'}>
                {send.isPending ? (
                    <>
                        <Spinner size="sm" aria-hidden="true" /> Bringing in...
                    </>
                ) : slide ? (
                    'Replace'
                ) : (
                    <>
                        <Icon name="plus" /> {sectionId ? 'Slide (PNG or JPEG)' : label}
                    </>
                )}
            </span>
            {hint && <span className="soft">{hint}</span>}
            <input
                ref={input}
                id={id}
                className="visually-hidden"
                type="file"
                multiple
                accept="image/png,image/jpeg"
                aria-label={label}
                onChange={(event) => bring(event.target.files)}
            />
        </label>
    );
}
