import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { Link } from 'react-router';
import { changeSection, lessonKey } from '../../api/lesson';
import type { Lesson, Section } from '../../api/types';
import { roomPath } from '../../shell/LessonFrame';
import { sectionState, sectionTitle } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';
import { about } from '../../ui/time';
import { SlideDrop } from './SlideDrop';
import { type Saved, useAutosave } from './useAutosave';

interface Props {
    lesson: Lesson;
    section: Section;
    index: number;
    count: number;
    focus: boolean;
    scrollTo: boolean;
    onSaved: (id: string, state: Saved) => void;
    onMove: (by: number) => void;
    onRemove: () => void;
    onAdd: () => void;
}

/** One section of the typed page: heading and words on the left, what is seen on the right. */
export function SectionSheet({
    lesson,
    section,
    index,
    count,
    focus,
    scrollTo,
    onSaved,
    onMove,
    onRemove,
    onAdd,
}: Props) {
    const client = useQueryClient();
    const [heading, setHeading] = useState(section.heading);
    const [script, setScript] = useState(section.script);
    const sheet = useRef<HTMLLIElement>(null);
    const words = useRef<HTMLTextAreaElement>(null);
    const { change, saved } = useAutosave<{ heading: string; script: string }>(async (more) => {
        const answer = await changeSection(section.id, more);
        client.setQueryData<Lesson>(
            lessonKey(lesson.id),
            (old) => old && { ...old, sections: old.sections.map((s) => (s.id === answer.id ? answer : s)) },
        );
    });
    const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
        id: section.id,
    });
    const state = sectionState(section);

    useEffect(() => onSaved(section.id, saved), [onSaved, section.id, saved]);
    useEffect(() => {
        if (scrollTo) {
            sheet.current?.scrollIntoView({ block: 'start' });
        }
    }, [scrollTo]);
    useLayoutEffect(() => {
        const area = words.current;
        if (area) {
            area.style.height = 'auto';
            area.style.height = `${area.scrollHeight + 2}px`;
        }
    }, [script]);

    return (
        <li
            ref={(node) => {
                sheet.current = node;
                setNodeRef(node);
            }}
            className={isDragging ? 'sheet dragging' : 'sheet'}
            style={{ transform: CSS.Translate.toString(transform), transition }}
        >
            <div className="sheet-words">
                <div className="sheet-heading">
                    <button
                        ref={setActivatorNodeRef}
                        className="handle"
                        type="button"
                        {...attributes}
                        {...listeners}
                        aria-label={`Move section ${index + 1}`}
                    >
                        <Icon name="grip" />
                    </button>
                    <span className="number times">{index + 1}</span>
                    <input
                        aria-label={`Heading of section ${index + 1}`}
                        placeholder="Heading"
                        maxLength={200}
                        autoFocus={focus}
                        value={heading}
                        onChange={(event) => {
                            setHeading(event.target.value);
                            change({ heading: event.target.value });
                        }}
                    />
                </div>
                <textarea
                    ref={words}
                    aria-label={`Script of section ${index + 1}`}
                    placeholder="What you will say, in your own words."
                    rows={3}
                    value={script}
                    onChange={(event) => {
                        setScript(event.target.value);
                        change({ script: event.target.value });
                    }}
                />
                <p className="sheet-facts times">
                    {section.lines.length > 0 ? (
                        <>
                            {about(section.estimate_ms)} · {section.lines.length}{' '}
                            {section.lines.length === 1 ? 'line' : 'lines'} ·{' '}
                            <Link to={roomPath(lesson.id, state.fill === 'hollow' ? 'record' : 'review', section.id)}>
                                {state.says}
                            </Link>
                        </>
                    ) : (
                        'Nothing to say yet'
                    )}
                </p>
            </div>
            <div className="sheet-picture">
                <SlideDrop
                    lessonId={lesson.id}
                    sectionId={section.id}
                    slide={section.slide}
                    label={`Slide of section ${index + 1}`}
                />
            </div>
            <div className="sheet-actions">
                <Dropdown align="end">
                    <Dropdown.Toggle
                        variant="quiet"
                        size="sm"
                        aria-label={`More about ${sectionTitle(section, index)}`}
                    >
                        <Icon name="dots" />
                    </Dropdown.Toggle>
                    <Dropdown.Menu>
                        <Dropdown.Item as="button" disabled={index === 0} onClick={() => onMove(-1)}>
                            Move up
                        </Dropdown.Item>
                        <Dropdown.Item as="button" disabled={index === count - 1} onClick={() => onMove(1)}>
                            Move down
                        </Dropdown.Item>
                        <Dropdown.Item as="button" onClick={onAdd}>
                            Add a section below
                        </Dropdown.Item>
                        {section.slide && (
                            <Dropdown.Item
                                as="button"
                                onClick={() =>
                                    void changeSection(section.id, { slide_id: null }).then(() =>
                                        client.invalidateQueries({ queryKey: lessonKey(lesson.id) }),
                                    )
                                }
                            >
                                Take the slide away
                            </Dropdown.Item>
                        )}
                        <Dropdown.Divider />
                        <Dropdown.Item as="button" onClick={onRemove}>
                            Remove section
                        </Dropdown.Item>
                    </Dropdown.Menu>
                </Dropdown>
                <Link
                    className="btn btn-quiet btn-sm"
                    to={roomPath(lesson.id, 'record', section.id)}
                    aria-label={`Record section ${index + 1}`}
                >
                    Record
                </Link>
            </div>
        </li>
    );
}
