import Form from 'react-bootstrap/Form';
import { useSlides } from '../../api/lesson';
import type { Lesson } from '../../api/types';

interface Props {
    lesson: Lesson;
    label: string;
    /** What stands there while none is chosen. */
    empty: string;
    disabled: boolean;
    onSlide: (name: string) => void;
}

/** One of the lesson's slides, to do something with. */
export function SlideSelect({ lesson, label, empty, disabled, onSlide }: Props) {
    const { data: slides } = useSlides(lesson.id);
    return (
        <Form.Select
            size="sm"
            aria-label={label}
            value=""
            disabled={disabled || !slides?.length}
            onChange={(event) => onSlide(event.target.value)}
        >
            <option value="">{empty}</option>
            {slides?.map((slide) => (
                <option key={slide.id} value={slide.name}>
                    {slide.name}
                </option>
            ))}
        </Form.Select>
    );
}
