import { useQuery, useQueryClient } from '@tanstack/react-query';
import Offcanvas from 'react-bootstrap/Offcanvas';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, LessonStyle, StyleValue } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { StyleForm } from '../../ui/style/StyleForm';

interface Props {
    show: boolean;
    lesson: Lesson;
    onClose: () => void;
}

/** What this lesson has otherwise than its course; each part can be returned. */
export default function LessonLook({ show, lesson, onClose }: Props) {
    const client = useQueryClient();
    const { failed } = useNotices();
    const key = ['style', lesson.id];
    const { data } = useQuery({
        queryKey: key,
        queryFn: () => api.get<LessonStyle>(`lessons/${lesson.id}/style`),
        enabled: show,
    });
    const save = useLessonChange(lesson.id, async (style: Record<string, StyleValue>) => {
        client.setQueryData(key, await api.patch<LessonStyle>(`lessons/${lesson.id}/style`, { style }));
    });
    return (
        <Offcanvas show={show} onHide={onClose} placement="end" aria-labelledby="look-title" className="side-panel">
            <Offcanvas.Header closeButton>
                <Offcanvas.Title id="look-title" as="h2">
                    How this lesson looks
                </Offcanvas.Title>
            </Offcanvas.Header>
            <Offcanvas.Body>
                <p className="soft">
                    {lesson.course
                        ? `Follows the house style of ${lesson.course.name}, except where you change it here.`
                        : 'This lesson belongs to no course, so all of it is its own.'}{' '}
                    {lesson.width} x {lesson.height} at {lesson.fps} frames per second, chosen when it was made.
                </p>
                {data && (
                    <StyleForm
                        style={data.style}
                        logos={data.logos}
                        warnings={data.warnings}
                        own={data.own}
                        withFrame={false}
                        onChange={(change) => save.mutate(change, { onError: failed })}
                    />
                )}
            </Offcanvas.Body>
        </Offcanvas>
    );
}
