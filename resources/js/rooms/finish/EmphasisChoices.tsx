import Button from 'react-bootstrap/Button';
import type { Lesson } from '../../api/types';
import { type Placed, placedNames, type Placing } from './placing';
import { SeenRow } from './SeenRow';
import { SlideSelect } from './SlideSelect';

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
                <SlideSelect
                    lesson={lesson}
                    label="Slide to lay over the stage"
                    empty="A slide..."
                    disabled={disabled}
                    onSlide={(name) => onPlace({ what: 'picture', text: name })}
                />
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
