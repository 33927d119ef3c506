import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Rect } from '../api/types';
import { NumberField } from './NumberField';
import { PartBox } from './PartBox';
import { drawnTo, isWhole, moved, shaped, shapeIn, whole } from './part';

interface Size {
    width: number;
    height: number;
}

interface Props {
    /** What it is a part of, for names of controls: "screen", "camera". */
    of: string;
    picture: ReactNode;
    source: Size;
    frame: Size;
    part: Rect | null;
    locked: boolean;
    mirrored?: boolean;
    onPart: (part: Rect | null) => void;
    onLocked?: (locked: boolean) => void;
}

/** Chooses a part of a picture: moved and sized by mouse, by arrow keys, and by numbers of its pixels. */
export function PartEditor({ of, picture, source, frame, part, locked, mirrored = false, onPart, onLocked }: Props) {
    const shape = shapeIn(frame, source);
    const shown = part ?? (locked ? shaped(whole, shape) : whole);
    const set = (next: Rect) => onPart(isWhole(next) ? null : next);
    const pixels = {
        left: Math.round(shown.x * source.width),
        top: Math.round(shown.y * source.height),
        width: Math.round(shown.width * source.width),
        height: Math.round(shown.height * source.height),
    };
    const byNumber = (name: keyof typeof pixels, value: number) => {
        if (!Number.isFinite(value)) {
            return;
        }
        const along = name === 'left' || name === 'width' ? source.width : source.height;
        const v = value / along;
        const right = { x: shown.x + shown.width, y: shown.y + shown.height };
        const lock = locked ? shape : null;
        const next = {
            left: () => moved(shown, v - shown.x, 0),
            top: () => moved(shown, 0, v - shown.y),
            width: () => drawnTo(shown, 'se', shown.x + v, lock ? shown.y + v / lock : right.y, lock),
            height: () => drawnTo(shown, 'se', lock ? shown.x + v * lock : right.x, shown.y + v, lock),
        }[name]();
        set(next);
    };
    return (
        <div className="part-editor">
            <div className="part-picture" style={{ aspectRatio: `${source.width} / ${source.height}` }}>
                <div className={mirrored ? 'mirrored' : ''}>{picture}</div>
                <PartBox
                    part={shown}
                    shape={locked ? shape : null}
                    label={`Part of the ${of} that is shown: move it with the arrow keys`}
                    mirrored={mirrored}
                    onPart={set}
                />
            </div>
            <div className="part-numbers">
                {(Object.keys(pixels) as (keyof typeof pixels)[]).map((name) => (
                    <Form.Group key={name} controlId={`${of}-${name}`}>
                        <Form.Label>{name[0]?.toUpperCase() + name.slice(1)}</Form.Label>
                        <NumberField min={0} value={pixels[name]} onChange={(to) => byNumber(name, to)} />
                    </Form.Group>
                ))}
            </div>
            <div className="part-acts">
                {onLocked && (
                    <Form.Check
                        id={`${of}-locked`}
                        label="Keep the frame's shape"
                        checked={locked}
                        onChange={(event) => {
                            onLocked(event.target.checked);
                            if (event.target.checked) {
                                set(shaped(shown, shape));
                            }
                        }}
                    />
                )}
                <Button size="sm" variant="quiet" disabled={part === null} onClick={() => onPart(null)}>
                    Show all of it
                </Button>
            </div>
        </div>
    );
}
