import { useState } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Deck, Lesson } from '../../api/types';
import { useNotices } from '../../ui/Notices';

interface Props {
    lesson: Lesson;
    decks: Deck[];
    onChanged: () => Promise<void>;
}

/** Files of slides on their way, and what became of the last one. */
export function DeckProgress({ lesson, decks, onChanged }: Props) {
    const { failed } = useNotices();
    const [seen, setSeen] = useState<string[]>([]);
    const act = useLessonChange(lesson.id, (path: string) => api.post(path));
    const running = decks.filter((deck) => deck.state === 'waiting' || deck.state === 'running');
    const last = decks.find((deck) => deck.state !== 'cancelled');
    return (
        <div aria-live="polite">
            {running.map((deck) => (
                <div key={deck.id} className="deck-progress">
                    <p className="mb-1">
                        {deck.name}:{' '}
                        {deck.single
                            ? 'becoming a slide'
                            : deck.total === 0
                              ? 'looking at its pages'
                              : `page ${Math.min(deck.total, deck.done + 1)} of ${deck.total}`}
                    </p>
                    <div className="panel-row">
                        <ProgressBar
                            now={deck.done}
                            max={Math.max(1, deck.total)}
                            aria-label={deck.single ? `Drawing ${deck.name}` : `Drawing the pages of ${deck.name}`}
                            className="flex-grow-1"
                        />
                        <Button
                            size="sm"
                            variant="quiet"
                            onClick={() => act.mutate(`decks/${deck.id}/cancel`, { onError: failed })}
                        >
                            Cancel
                        </Button>
                    </div>
                </div>
            ))}
            {last && !seen.includes(last.id) && last.state === 'failed' && (
                <Alert variant="warning" dismissible onClose={() => setSeen([...seen, last.id])}>
                    {last.problem}
                </Alert>
            )}
            {last && !seen.includes(last.id) && last.state === 'done' && last.purpose === 'replace' && (
                <Alert variant="success" dismissible onClose={() => setSeen([...seen, last.id])}>
                    <p className="mb-1">
                        {last.replaced} {last.replaced === 1 ? 'slide has' : 'slides have'} a new picture
                        {last.added.length > 0 && `, ${last.added.length} new: ${names(last.added)}`}. Every tie holds.
                    </p>
                    {last.unmatched.length > 0 && (
                        <p className="mb-1">
                            Not found in {last.name}, and kept as before: {names(last.unmatched)}.
                        </p>
                    )}
                    <Button
                        size="sm"
                        variant="quiet"
                        onClick={() =>
                            act.mutate(`decks/${last.id}/undo`, { onError: failed, onSuccess: () => void onChanged() })
                        }
                    >
                        Undo
                    </Button>
                </Alert>
            )}
        </div>
    );
}

const names = (slides: { name: string }[]): string => slides.map((slide) => `“${slide.name}”`).join(', ');
