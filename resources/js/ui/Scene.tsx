import { type CSSProperties, type ReactNode, useId } from 'react';
import type { Layer, Picture } from '../api/types';
import { DrawnImage } from './DrawnImage';
import { FilmLayer, type Rolls } from './FilmLayer';
import { MarkDrawing } from './MarkDrawing';
import { cropAt, cropped, cutOut, edgeLook, outOfSight, place, rectAt } from './place';

interface Props {
    picture: Picture;
    /** Frames since the shot began. */
    frame?: number;
    fps?: number;
    /** What is recorded now: films on the stage play by themselves. */
    live?: Rolls;
    camera?: ReactNode;
    /** The screen that is recorded or was. */
    screen?: ReactNode;
    /** Lies over the stage and under everything else. */
    sheet?: ReactNode;
    mirrored?: boolean;
    /** How much of it is seen, over what lies below. */
    opacity?: number;
    above?: boolean;
    /** By how much of its width it stands to the right of its place. */
    beside?: number;
    /** Kept ready, and not seen. */
    hidden?: boolean;
}

/**
 * Layers, bottom to top, on a ground: the plan's pixels become per cent. What plays stays where it is in the page, whatever comes
 * and goes around it, because an element that is moved stops playing.
 */
export function Scene({ picture, frame = 0, camera, screen, sheet, mirrored = false, ...how }: Props) {
    const { fps = 25, live = null, opacity = 1, above = false, beside = 0, hidden } = how;
    const filter = useId().replace(/[^a-z0-9]/gi, '');
    const stage = picture.layers.find(({ shows }) => shows !== 'backdrop');
    const look = (one: Layer, index: number): CSSProperties => ({
        ...place(rectAt(one, frame), picture.frame),
        ...cutOut(one, picture.frame),
        zIndex: index + 1,
        opacity: one.opacity,
    });
    const moving = (kind: 'camera' | 'screen', element: ReactNode, more = '') => {
        const at = picture.layers.findIndex((layer) => layer.shows === kind);
        const layer = picture.layers[at];
        const edge = layer && edgeLook(layer, picture.frame);
        return (
            element && (
                <div className={`${kind}${more}`} style={layer ? look(layer, at) : outOfSight}>
                    {layer?.colours && <Colours id={filter} rows={layer.colours} />}
                    <div
                        style={{
                            ...cropped(layer ? cropAt(layer, frame) : null),
                            filter: layer?.colours ? `url(#${filter})` : undefined,
                        }}
                    >
                        {element}
                    </div>
                    {edge && <div className="edge" style={edge} />}
                </div>
            )
        );
    };
    return (
        <div
            className="scene"
            aria-hidden={hidden || undefined}
            style={
                hidden
                    ? outOfSight
                    : {
                          background: `#${picture.ground}`,
                          opacity,
                          zIndex: above ? 1 : 0,
                          transform: beside ? `translateX(${100 * beside}%)` : undefined,
                      }
            }
        >
            {moving('camera', camera, mirrored ? ' mirrored' : '')}
            {moving('screen', screen)}
            {picture.layers.map((one, index) =>
                one.shows === 'camera' || one.shows === 'screen' ? null : (
                    <div key={`${one.shows}/${index}`} className={one.shows} style={look(one, index)}>
                        <div style={cropped(cropAt(one, frame))}>
                            {one.shows === 'marks' && <MarkDrawing marks={one.marks} rect={one.rect} frame={frame} />}
                            {one.film && (
                                <FilmLayer film={one.film} poster={one.url} frame={frame} fps={fps} live={live} />
                            )}
                            {one.url && !one.film && <DrawnImage src={one.url} alt="" />}
                        </div>
                        {edgeLook(one, picture.frame) && (
                            <div className="edge" style={edgeLook(one, picture.frame) ?? undefined} />
                        )}
                    </div>
                ),
            )}
            {sheet && stage && (
                <div
                    className="sheet"
                    style={{ ...place(stage.rect, picture.frame), zIndex: picture.layers.indexOf(stage) + 1 }}
                >
                    {sheet}
                </div>
            )}
        </div>
    );
}

/** Changes colours as the encoder does: one matrix on what is stored. */
function Colours({ id, rows }: { id: string; rows: number[][] }) {
    const values = rows.map(([r, g, b, offset]) => `${r} ${g} ${b} 0 ${offset}`).join(' ');
    return (
        <svg width="0" height="0" style={{ position: 'absolute' }} aria-hidden="true">
            <filter id={id} colorInterpolationFilters="sRGB" x="0" y="0" width="100%" height="100%">
                <feColorMatrix values={`${values} 0 0 0 1 0`} />
            </filter>
        </svg>
    );
}
