import {
    closestCenter,
    DndContext,
    type DragEndEvent,
    KeyboardSensor,
    PointerSensor,
    useSensor,
    useSensors,
} from '@dnd-kit/core';
import {
    arrayMove,
    SortableContext,
    sortableKeyboardCoordinates,
    verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { lessonKey, useLessonChange } from '../../api/lesson';
import type { Lesson, Section } from '../../api/types';
import { roomPath, useLessonPlace } from '../../shell/LessonFrame';
import { useNotices } from '../../shell/Notices';
import { sectionState } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';
import { about } from '../../ui/time';
import { SavedState } from './SavedState';
import { SectionSheet } from './SectionSheet';
import { SlideDrop } from './SlideDrop';
import type { Saved } from './useAutosave';

export default function ScriptRoom() {
    const { lesson, section: named } = useLessonPlace();
    const go = useNavigate();
    const { failed } = useNotices();
    const [fresh, setFresh] = useState<string | null>(null);
    const [saved, setSaved] = useState<Record<string, Saved>>({});
    const noteSaved = useCallback((id: string, state: Saved) => setSaved((all) => ({ ...all, [id]: state })), []);
    const reorder = useReorder(lesson);
    const remove = useRemoveSection(lesson);
    const add = useLessonChange(lesson.id, (after: string | null) =>
        api.post<Section>(`lessons/${lesson.id}/sections`, { after }).then((section) => setFresh(section.id)),
    );
    const sensors = useSensors(
        useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
        useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
    );
    const ids = lesson.sections.map((s) => s.id);
    const dropped = ({ active, over }: DragEndEvent) => {
        if (over && active.id !== over.id) {
            reorder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
        }
    };
    const move = (id: string, by: number) => reorder(arrayMove(ids, ids.indexOf(id), ids.indexOf(id) + by));
    const toRecord = lesson.sections.find((s) => s.script.trim() && sectionState(s).fill === 'hollow');
    const total = lesson.sections.reduce((sum, s) => sum + s.estimate_ms, 0);

    return (
        <main className="room script-room">
            <header className="script-head">
                <h1 className="visually-hidden">Script</h1>
                <p className="mb-0">
                    <strong className="times">{about(total)}</strong> <span className="soft">to speak, in all</span>
                </p>
                <SavedState all={Object.values(saved)} />
                {toRecord && (
                    <Button onClick={() => go(roomPath(lesson.id, 'record', toRecord.id))}>
                        Record section {ids.indexOf(toRecord.id) + 1}
                    </Button>
                )}
            </header>
            <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
                <SortableContext items={ids} strategy={verticalListSortingStrategy}>
                    <ol className="sheets">
                        {lesson.sections.map((section, index) => (
                            <SectionSheet
                                key={section.id}
                                lesson={lesson}
                                section={section}
                                index={index}
                                count={ids.length}
                                focus={section.id === fresh}
                                scrollTo={section.id === named?.id && index > 0}
                                onSaved={noteSaved}
                                onMove={(by) => move(section.id, by)}
                                onRemove={() => remove(section, index)}
                                onAdd={() => add.mutate(section.id, { onError: failed })}
                            />
                        ))}
                    </ol>
                </SortableContext>
            </DndContext>
            <div className="script-foot">
                <Button
                    variant={ids.length === 0 ? 'primary' : 'quiet'}
                    onClick={() => add.mutate(null, { onError: failed })}
                >
                    <Icon name="plus" /> Add a section
                </Button>
                <SlideDrop
                    lessonId={lesson.id}
                    sectionId={null}
                    label="Bring in several slides"
                    hint="They fill the sections in order of their names."
                />
            </div>
        </main>
    );
}

function useReorder(lesson: Lesson) {
    const client = useQueryClient();
    const { failed } = useNotices();
    const save = useLessonChange(lesson.id, (sections: string[]) =>
        api.put(`lessons/${lesson.id}/order`, { sections }),
    );
    return (sections: string[]) => {
        client.setQueryData<Lesson>(
            lessonKey(lesson.id),
            (old) => old && { ...old, sections: sections.flatMap((id) => old.sections.find((s) => s.id === id) ?? []) },
        );
        save.mutate(sections, { onError: failed });
    };
}

function useRemoveSection(lesson: Lesson) {
    const { say, failed } = useNotices();
    const restore = useLessonChange(lesson.id, (id: string) => api.post(`sections/${id}/restore`));
    const remove = useLessonChange(lesson.id, (id: string) => api.delete(`sections/${id}`));
    return (section: Section, index: number) =>
        remove.mutate(section.id, {
            onSuccess: () => say(`Section ${index + 1} is removed, with its takes.`, () => restore.mutate(section.id)),
            onError: failed,
        });
}
