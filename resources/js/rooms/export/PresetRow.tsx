import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import type { Edition, ExpectedFilm, Lesson } from '../../api/types';
import { sectionTitle } from '../../shell/sectionState';
import { clock, megabytes } from '../../lib/time';
import { hasOtherShape, query, sizesFor } from './presets';
import { ShapeLook } from './ShapeLook';

interface Props {
    lesson: Lesson;
    edition: Edition;
    /** Another plan makes another film. */
    planKey: string;
    number: number;
    onChange: (edition: Edition) => void;
    onRemove?: () => void;
}

/** One file to be made: its size, format and quality, and how large it will be. */
export function PresetRow({ lesson, edition, planKey, number, onChange, onRemove }: Props) {
    const id = useId();
    const { data: expected } = useQuery({
        queryKey: ['expected', lesson.id, planKey, query(edition)],
        queryFn: () => api.get<ExpectedFilm>(`lessons/${lesson.id}/exports/expected?${query(edition)}`),
        placeholderData: keepPreviousData,
    });
    const size = `${edition.width ?? lesson.width}x${edition.height ?? lesson.height}`;
    const change = (part: Partial<Edition>) => onChange({ ...edition, ...part });
    const toSize = (value: string) => {
        const [width = 0, height = 0] = value.split('x').map(Number);
        const isOwn = width === lesson.width && height === lesson.height;
        change(isOwn ? { width: null, height: null } : { width, height });
    };
    return (
        <fieldset className="edition">
            <legend className="visually-hidden">File {number}</legend>
            <div className="edition-parts">
                <div>
                    <Form.Label htmlFor={`${id}s`}>Size</Form.Label>
                    <Form.Select id={`${id}s`} size="sm" value={size} onChange={(e) => toSize(e.target.value)}>
                        {sizesFor(lesson).map((one) => (
                            <optgroup key={one.shape} label={one.shape}>
                                {one.sizes.map(([width, height]) => (
                                    <option key={width} value={`${width}x${height}`}>
                                        {width} x {height}
                                    </option>
                                ))}
                            </optgroup>
                        ))}
                    </Form.Select>
                </div>
                <div>
                    <Form.Label htmlFor={`${id}f`}>Format</Form.Label>
                    <Form.Select
                        id={`${id}f`}
                        size="sm"
                        value={edition.format}
                        onChange={(e) => change({ format: e.target.value as Edition['format'] })}
                    >
                        <option value="mp4">MP4, plays everywhere</option>
                        <option value="webm">WebM, for the web</option>
                    </Form.Select>
                </div>
                <div>
                    <Form.Label htmlFor={`${id}q`}>Quality</Form.Label>
                    <Form.Select
                        id={`${id}q`}
                        size="sm"
                        value={edition.quality}
                        onChange={(e) => change({ quality: e.target.value as Edition['quality'] })}
                    >
                        <option value="small">Small file</option>
                        <option value="balanced">Balanced</option>
                        <option value="sharp">Sharpest</option>
                    </Form.Select>
                </div>
                <div>
                    <Form.Label htmlFor={`${id}w`}>What is in it</Form.Label>
                    <Form.Select
                        id={`${id}w`}
                        size="sm"
                        value={edition.section ?? ''}
                        onChange={(e) => change({ section: e.target.value || null })}
                    >
                        <option value="">The whole lesson</option>
                        {lesson.sections.map((section, n) => (
                            <option key={section.id} value={section.id}>
                                Only {sectionTitle(section, n)}
                            </option>
                        ))}
                    </Form.Select>
                </div>
                <Form.Check
                    id={`${id}c`}
                    label="Captions in the picture"
                    checked={edition.burned}
                    onChange={(e) => change({ burned: e.target.checked })}
                />
            </div>
            <p className="soft times mb-0">
                {expected && (
                    <>
                        <b>{expected.file_name}</b>
                        {expected.frames > 0 && ` · ${sizeOf(expected)}, ${timeOf(expected)}`}
                    </>
                )}{' '}
                {onRemove && (
                    <Button size="sm" variant="quiet" aria-label={`Without file ${number}`} onClick={onRemove}>
                        Remove
                    </Button>
                )}
            </p>
            {hasOtherShape(edition, lesson) && <ShapeLook lesson={lesson} edition={edition} planKey={planKey} />}
        </fieldset>
    );
}

const sizeOf = ({ bytes }: ExpectedFilm): string =>
    bytes === null ? 'its size is known once more is rendered' : `about ${megabytes(bytes)}`;

const timeOf = ({ seconds }: ExpectedFilm): string =>
    seconds < 3 ? 'in a moment' : `in about ${clock(1000 * seconds)}`;
