import { type ReactNode, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useSlides } from '../../api/lesson';
import type { Corner, InsetSize, Layout, Lesson } from '../../api/types';
import { writeCue } from '../../page/syntax';
import { MusicRow } from './MusicRow';
import { type Placed, placedNames } from './placing';

export interface Choice {
    cue: string;
    /** What is seen then. */
    says: string;
}

interface Props {
    lesson: Lesson;
    /** The words that were chosen, shortened. */
    says: string;
    /** One word alone is the beginning of something rather than all of it. */
    many: boolean;
    /** Something is on the stage there, which may be zoomed and pointed at. */
    hasStage: boolean;
    /** The take that speaks the words has recorded a screen. */
    hasScreen: boolean;
    disabled: boolean;
    /** @param holds for these words only, or from here on */
    onChoose: (choice: Choice, holds: 'words' | 'on') => void;
    /** Something is to be placed on the picture first. */
    onPlace: (what: Placed, holds: 'words' | 'on') => void;
    onClear: () => void;
}

const layouts: [Layout, string][] = [
    ['slide-with-inset', 'Slide with inset'],
    ['side-by-side', 'Side by side'],
    ['slide-alone', 'Slide alone'],
    ['camera-alone', 'Camera alone'],
];
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
const emphases: Placed[] = ['box', 'round', 'underline', 'arrow', 'spotlight'];
const written = (value: string): string => value.replaceAll('-', ' ');

/** What is seen while the chosen words are said. */
export function WhatIsSeen({ lesson, says, many, hasStage, hasScreen, disabled, onChoose, onPlace, onClear }: Props) {
    const { data: slides } = useSlides(lesson.id);
    const [own, setOwn] = useState<'words' | 'on' | null>(null);
    const holds = own ?? (many ? 'words' : 'on');
    const choose = (cue: string, what: string) => onChoose({ cue, says: what }, holds);
    const layout = (value: string, name: string) => choose(writeCue('layout', written(value)), name);
    return (
        <section className="what-is-seen" aria-label="What is seen">
            <header>
                <h2>
                    <q>{says}</q>
                </h2>
                <div className="choice" role="group" aria-label="How long it holds">
                    <Button size="sm" variant="quiet" aria-pressed={holds === 'words'} onClick={() => setOwn('words')}>
                        For these words
                    </Button>
                    <Button size="sm" variant="quiet" aria-pressed={holds === 'on'} onClick={() => setOwn('on')}>
                        From here on
                    </Button>
                </div>
                <Button size="sm" variant="quiet" onClick={onClear}>
                    Done
                </Button>
            </header>
            <Row label="Layout">
                {layouts.map(([value, name]) => (
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
            </Row>
            <Row label="Inset">
                <Form.Select
                    size="sm"
                    aria-label="Corner of the inset"
                    value=""
                    disabled={disabled}
                    onChange={(event) => layout(event.target.value, `Inset ${written(event.target.value)}`)}
                >
                    <option value="">Corner...</option>
                    {corners.map(([value, name]) => (
                        <option key={value} value={value}>
                            {name}
                        </option>
                    ))}
                </Form.Select>
                <Form.Select
                    size="sm"
                    aria-label="Size of the inset"
                    value=""
                    disabled={disabled}
                    onChange={(event) => layout(event.target.value, `Inset ${written(event.target.value)}`)}
                >
                    <option value="">Size...</option>
                    {sizes.map(([value, name]) => (
                        <option key={value} value={value}>
                            {name}
                        </option>
                    ))}
                </Form.Select>
                <span className="also">Zoom</span>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled || !hasStage}
                    onClick={() => onPlace('zoom', holds)}
                >
                    Zoom in...
                </Button>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled || !hasStage}
                    onClick={() => choose('[zoom: out]', 'All of the stage')}
                >
                    Zoom out
                </Button>
            </Row>
            <Row label="Stage">
                <Form.Select
                    size="sm"
                    aria-label="Slide"
                    value=""
                    disabled={disabled || !slides?.length}
                    onChange={(event) => choose(writeCue('slide', event.target.value), `Slide ${event.target.value}`)}
                >
                    <option value="">Show a slide...</option>
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
                    onClick={() => choose('[camera alone]', 'The presenter alone')}
                >
                    Presenter alone
                </Button>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={disabled || !hasScreen}
                    title={hasScreen ? undefined : 'No screen was recorded with these words.'}
                    onClick={() => choose('[screen: as recorded]', 'The recorded screen')}
                >
                    Screen
                </Button>
                <Button size="sm" variant="quiet" disabled={disabled} onClick={() => choose('[board]', 'The board')}>
                    Board
                </Button>
            </Row>
            <Row label="Music">
                <MusicRow
                    lesson={lesson}
                    disabled={disabled}
                    onChoose={(choice) => onChoose(choice, holds)}
                    onEnd={() => onChoose({ cue: '[music: none]', says: 'No music' }, 'on')}
                />
            </Row>
            <Row label="Point at">
                {hasStage ? (
                    <>
                        {emphases.map((what) => (
                            <Button
                                key={what}
                                size="sm"
                                variant="quiet"
                                disabled={disabled}
                                onClick={() => onPlace(what, holds)}
                            >
                                {placedNames[what]}
                            </Button>
                        ))}
                        <Button
                            size="sm"
                            variant="quiet"
                            disabled={disabled}
                            onClick={() => onChoose({ cue: '[emphasis: none]', says: 'No emphasis' }, 'on')}
                        >
                            End emphasis
                        </Button>
                    </>
                ) : (
                    <span className="soft">Nothing is on the stage here: show a slide to zoom or to point at it.</span>
                )}
            </Row>
        </section>
    );
}

function Row({ label, children }: { label: string; children: ReactNode }) {
    return (
        <div className="seen-row" role="group" aria-label={label}>
            <span>{label}</span>
            <div>{children}</div>
        </div>
    );
}
