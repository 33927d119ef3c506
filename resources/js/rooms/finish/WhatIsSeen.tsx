import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Lesson, Take } from '../../api/types';
import { AdjustRow } from './AdjustRow';
import { EmphasisChoices } from './EmphasisChoices';
import { MusicRow } from './MusicRow';
import { PictureChoices } from './PictureChoices';
import type { Placing } from './placing';
import { SeenRow } from './SeenRow';
import { TextChoices } from './TextChoices';

export interface Choice {
    cue: string;
    /** What is seen then. */
    says: string;
}

/** What the panel is about; the last one stays for the next words. */
export type Topic = 'picture' | 'emphasis' | 'text' | 'camera' | 'music';

interface Props {
    lesson: Lesson;
    /** The words that were chosen, shortened. */
    says: string;
    topic: Topic;
    onTopic: (topic: Topic) => void;
    /** One word alone is the beginning of something rather than all of it. */
    many: boolean;
    /** Something is on the stage there, which may be zoomed and pointed at. */
    hasStage: boolean;
    /** The take that speaks the words has recorded a screen. */
    hasScreen: boolean;
    /** Address of the slide on the stage. */
    stage: string | null;
    /** The presenter is seen there, in an inset or alone. */
    hasCamera: boolean;
    /** Whose camera is seen there. */
    take: Take | undefined;
    /** Its camera is to be framed on the picture. */
    onFrame: () => void;
    disabled: boolean;
    /** @param holds for these words only, or from here on */
    onChoose: (choice: Choice, holds: 'words' | 'on') => void;
    /** Something is to be placed on the picture first. */
    onPlace: (what: Partial<Placing> & Pick<Placing, 'what'>, holds: 'words' | 'on') => void;
    onClear: () => void;
}

const topics: [Topic, string][] = [
    ['picture', 'Picture'],
    ['emphasis', 'Zoom and emphasis'],
    ['text', 'Text'],
    ['camera', 'Camera'],
    ['music', 'Music'],
];

/** What is seen and heard while the chosen words are said. */
export function WhatIsSeen({
    lesson,
    says,
    topic,
    onTopic,
    many,
    disabled,
    onChoose,
    onPlace,
    onClear,
    take,
    onFrame,
    ...has
}: Props) {
    const [own, setOwn] = useState<'words' | 'on' | null>(null);
    const holds = own ?? (many ? 'words' : 'on');
    const acts = {
        disabled,
        onChoose: (cue: string, what: string) => onChoose({ cue, says: what }, holds),
        onPlace: (what: Partial<Placing> & Pick<Placing, 'what'>) => onPlace(what, holds),
    };
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
            <div className="topics" role="group" aria-label="What to choose">
                {topics.map(([value, name]) => (
                    <button key={value} type="button" aria-pressed={topic === value} onClick={() => onTopic(value)}>
                        {name}
                    </button>
                ))}
            </div>
            {topic === 'picture' && <PictureChoices lesson={lesson} {...acts} {...has} />}
            {topic === 'emphasis' && <EmphasisChoices lesson={lesson} {...acts} {...has} />}
            {topic === 'text' && <TextChoices {...acts} {...has} />}
            {topic === 'camera' &&
                (take ? (
                    <>
                        <AdjustRow key={take.id} lesson={lesson} take={take} />
                        <SeenRow label="Framing">
                            <Button size="sm" variant="quiet" disabled={!take.camera} onClick={onFrame}>
                                Frame it on the picture...
                            </Button>
                        </SeenRow>
                    </>
                ) : (
                    <p className="soft mb-0">No camera is seen here.</p>
                ))}
            {topic === 'music' && (
                <SeenRow label="Music">
                    <MusicRow
                        lesson={lesson}
                        disabled={disabled}
                        onChoose={(choice) => onChoose(choice, holds)}
                        onEnd={() => onChoose({ cue: '[music: none]', says: 'No music' }, 'on')}
                    />
                </SeenRow>
            )}
        </section>
    );
}
