import { useEffect, useRef } from 'react';
import { sectionTitle } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';
import { clock } from '../../lib/time';
import type { Placed } from './captions';

interface Props {
    all: Placed[];
    fps: number;
    /** Index of the one in hand. */
    at: number;
    onChoose: (index: number) => void;
}

/** All captions one below the other, and which of them somebody has read. */
export function CaptionList({ all, fps, at, onChoose }: Props) {
    const list = useRef<HTMLOListElement>(null);
    useEffect(() => {
        list.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
    }, [at]);
    return (
        <ol className="caption-list" ref={list}>
            {all.map(({ section, position, caption }, index) => (
                <li key={`${section.id}/${caption.number}`}>
                    {caption.number === 0 && <h2>{sectionTitle(section, position)}</h2>}
                    <button
                        type="button"
                        className={caption.checked ? 'is-checked' : ''}
                        aria-current={index === at ? 'true' : undefined}
                        onClick={() => onChoose(index)}
                    >
                        <span className="times soft">{clock((1000 * caption.from_frame) / fps)}</span>
                        <span className="said">{caption.rows.join(' ')}</span>
                        <span className="state">
                            {caption.checked ? (
                                <>
                                    <Icon name="check" /> <span className="visually-hidden">checked</span>
                                </>
                            ) : (
                                (caption.problem ?? caption.before) && (
                                    <>
                                        <Icon name="exclamation" />{' '}
                                        <span className="visually-hidden">something to look at</span>
                                    </>
                                )
                            )}
                        </span>
                    </button>
                </li>
            ))}
        </ol>
    );
}
