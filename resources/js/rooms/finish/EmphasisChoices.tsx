import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useSlides } from '../../api/lesson';
import type { Lesson } from '../../api/types';
import { type Placed, placedNames, type Placing } from './placing';
import { SeenRow } from './SeenRow';

interface Props {
    lesson: Lesson;
    hasStage: boolean;
    disabled: boolean;
    onChoose: (cue: string, says: string) => void;
    onPlace: (what: Partial<Placing> & Pick<Placing, 'what'>) => void;
}

const emphases: Placed[] = ['box', 'round', 'underline', 'arrow', 'spotlight'];

/** What of the stage is seen large, and what is laid over it. */
export function EmphasisChoices({ lesson, hasStage, disabled, onChoose, onPlace }: Props) {
    const { data: slides } = useSlides(lesson.id);
    if (!hasStage) {
        return <p className="soft mb-0">Nothing is on the stage here: show a slide to zoom or to point at it.</p>;
    }
    return (
        <>
            <SeenRow label="Zoom">
                <Button size="sm" variant="quiet" disabled={disabled} onClick={() => onPlace({ what: 'zoom' })}>
                    Zoom in...
                </Button>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled}
                    onClick={() => onChoose('[zoom: out]', 'All of the stage')}
                >
                    Zoom out
                </Button>
            </SeenRow>
            <SeenRow label="Point at">
                {emphases.map((what) => (
                    <Button key={what} size="sm" variant="quiet" disabled={disabled} onClick={() => onPlace({ what })}>
                        {placedNames[what]}
                    </Button>
                ))}
            </SeenRow>
            <SeenRow label="Lay over">
                <Form.Select
                    size="sm"
                    aria-label="Slide to lay over the stage"
                    value=""
                    disabled={disabled || !slides?.length}
                    onChange={(event) => onPlace({ what: 'picture', text: event.target.value })}
                >
                    <option value="">A slide...</option>
                    {slides?.map((slide) => (
                        <option key={slide.id} value={slide.name}>
                            {slide.name}
                        </option>
                    ))}
                </Form.Select>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled}
                    onClick={() => onChoose('[emphasis: none]', 'No emphasis')}
                >
                    End emphasis
                </Button>
            </SeenRow>
        </>
    );
}
