import { layoutOptions } from '../../ui/layouts';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useSlides } from '../../api/lesson';
import type { Corner, InsetSize, Lesson } from '../../api/types';
import { writeCue } from '../../lib/scriptSyntax';
import type { Placing } from './placing';
import { SeenRow } from './SeenRow';
import { choicesOf } from '../../ui/style/words';
import { SlideSelect } from './SlideSelect';

interface Props {
    lesson: Lesson;
    hasScreen: boolean;
    /** Address of the slide on the stage. */
    stage: string | null;
    hasCamera: boolean;
    disabled: boolean;
    onChoose: (cue: string, says: string) => void;
    onPlace: (what: Pick<Placing, 'what'>) => void;
}

const corners: [Corner, string][] = [
    ['top-left', 'Top left'],
    ['top-right', 'Top right'],
    ['bottom-left', 'Bottom left'],
    ['bottom-right', 'Bottom right'],
];
const sizes: [InsetSize, string][] = [
    ['small', 'Small'],
    ['medium', 'Medium'],
    ['large', 'Large'],
];
const looks: [string, string][] = [
    ['rectangle', 'Rectangle'],
    ['rounded', 'Rounded'],
    ['circle', 'Circle'],
    ['no border', 'No border'],
    ['thin border', 'Thin border'],
    ['thick border', 'Thick border'],
    ['shadow', 'Shadow'],
    ['no shadow', 'No shadow'],
];
const backgrounds: [string, string][] = [
    ['usual', 'As usual'],
    ['gradient', 'Gradient'],
    ['ink', 'Ink'],
    ['paper', 'Paper'],
    ['accent', 'Accent'],
];
const written = (value: string): string => value.replaceAll('-', ' ');

/** Which pictures are seen, and how they share the frame. */
export function PictureChoices({ lesson, stage, hasScreen, hasCamera, disabled, onChoose, onPlace }: Props) {
    const [move, setMove] = useState('');
    const { data: slides } = useSlides(lesson.id);
    const hasSteps = slides?.some(({ id, steps }) => steps > 0 && stage?.startsWith(`/api/slides/${id}/`)) ?? false;
    const layout = (value: string, name: string) =>
        onChoose(writeCue('layout', [written(value), move].filter(Boolean).join(', ')), name);
    const behind = (value: string) => onChoose(writeCue('background', value), `Background: ${value}`);
    const inset = (label: string, empty: string, options: [string, string][]) => (
        <Form.Select
            size="sm"
            aria-label={`${label} of the inset`}
            value=""
            disabled={disabled}
            onChange={(event) => layout(event.target.value, `Inset ${written(event.target.value)}`)}
        >
            <option value="">{empty}...</option>
            {options.map(([value, name]) => (
                <option key={value} value={value}>
                    {name}
                </option>
            ))}
        </Form.Select>
    );
    return (
        <>
            <SeenRow label="Layout">
                {layoutOptions.map(([value, name]) => (
                    <button
                        key={value}
                        type="button"
                        className={`layout-choice is-${value}`}
                        disabled={disabled}
                        onClick={() => layout(value, name)}
                    >
                        <i aria-hidden="true">
                            <b />
                            <em />
                        </i>
                        {name}
                    </button>
                ))}
            </SeenRow>
            <SeenRow label="Inset">
                {inset('Corner', 'Corner', corners)}
                {inset('Size', 'Size', sizes)}
                {inset('Look', 'Look', looks)}
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled || !hasCamera}
                    onClick={() => onPlace({ what: 'inset' })}
                >
                    Anywhere...
                </Button>
                <Form.Select
                    size="sm"
                    aria-label="How the layout changes"
                    value={move}
                    onChange={(event) => setMove(event.target.value)}
                >
                    <option value="">Moves: as usual</option>
                    <option value="at once">At once</option>
                    {choicesOf('layout_move')
                        .map(Number)
                        .filter((ms) => ms > 0)
                        .map((ms) => (
                            <option key={ms} value={`${ms / 1000} s`}>
                                With a move of {ms / 1000} s
                            </option>
                        ))}
                </Form.Select>
            </SeenRow>
            <SeenRow label="Stage">
                <SlideSelect
                    lesson={lesson}
                    label="Slide"
                    empty="Show a slide..."
                    disabled={disabled}
                    onSlide={(name) => onChoose(writeCue('slide', name), `Slide ${name}`)}
                />
                {hasSteps && (
                    <Button
                        size="sm"
                        variant="quiet"
                        disabled={disabled}
                        onClick={() => onChoose('[step]', 'The next step of the slide')}
                    >
                        Next step
                    </Button>
                )}
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled}
                    onClick={() => onChoose('[camera alone]', 'The presenter alone')}
                >
                    Presenter alone
                </Button>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled || !hasScreen}
                    title={hasScreen ? undefined : 'No screen was recorded with these words.'}
                    onClick={() => onChoose('[screen: as recorded]', 'The recorded screen')}
                >
                    Screen
                </Button>
                <Button size="sm" variant="quiet" disabled={disabled} onClick={() => onChoose('[board]', 'The board')}>
                    Board
                </Button>
                <Form.Select
                    size="sm"
                    className="background-choice"
                    aria-label="Background"
                    value=""
                    disabled={disabled}
                    onChange={(event) => behind(event.target.value)}
                >
                    <option value="">Background...</option>
                    {backgrounds.map(([value, name]) => (
                        <option key={value} value={value}>
                            {name}
                        </option>
                    ))}
                    <optgroup label="Picture">
                        {slides?.map(({ id, name }) => (
                            <option key={id} value={name}>
                                {name}
                            </option>
                        ))}
                    </optgroup>
                </Form.Select>
            </SeenRow>
        </>
    );
}
