import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Form from 'react-bootstrap/Form';
import Offcanvas from 'react-bootstrap/Offcanvas';
import { api } from '../../api/client';
import { useDecks, useLessonChange, useSlides } from '../../api/lesson';
import { refreshLesson } from '../../api/queries';
import type { Deck, Lesson, ScriptText, Slide, TieProposal } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { bringSlides, drawnSlides, filmTypes, pictureTypes } from '../../ui/importSlides';
import { FilePick } from '../../ui/FilePick';
import { Icon } from '../../ui/Icon';
import { DeckProgress } from './DeckProgress';
import { SlideDrop } from './SlideDrop';
import { TieList } from './TieList';

/** More slides than this are searched, not looked through. */
const manySlides = 8;

interface Props {
    show: boolean;
    lesson: Lesson;
    onClose: () => void;
    onInsert: (name: string) => void;
    onAccept: (ties: TieProposal[]) => void;
    /** Where sections and their cues stand. */
    places: ScriptText;
    /** Has a section begin with a slide. */
    onTie: (index: number, name: string) => void;
    /** Brings the last words to the server, so that proposals name places that are on the page. */
    beforeTie: () => Promise<void>;
    /** The server may have written into the script. */
    onChanged: () => Promise<void>;
}

/** The lesson's deck: bring slides in, replace them, tie them to the script. */
export default function SlidesPanel({
    show,
    lesson,
    places,
    onClose,
    onInsert,
    onAccept,
    onTie,
    beforeTie,
    onChanged,
}: Props) {
    const client = useQueryClient();
    const { data: slides = [] } = useSlides(lesson.id);
    const { data: decks = [] } = useDecks(lesson.id);
    const { failed, say } = useNotices();
    const replace = useRef<HTMLInputElement>(null);
    const [tying, setTying] = useState(false);
    const [sought, setSought] = useState('');
    const found = slides.filter((slide) => `${slide.name} ${slide.text}`.toLowerCase().includes(sought.toLowerCase()));
    const settled = decks
        .filter((deck) => deck.state === 'done')
        .map((deck) => deck.id)
        .join();
    useEffect(() => {
        // A deck that has just been drawn brings slides and, where there was no script, sections.
        void refreshLesson(lesson.id);
        void onChanged();
    }, [settled, lesson.id, onChanged]);
    const ties = useQuery({
        queryKey: ['ties', lesson.id, lesson.revision, slides.length],
        queryFn: () => api.get<TieProposal[]>(`lessons/${lesson.id}/script/ties`),
        enabled: show && tying,
    });
    const swap = useLessonChange(lesson.id, async (file: File) => {
        const answer = await bringSlides(lesson.id, [file], 'replace');
        answer.refused.forEach((why) => say(why));
        await client.invalidateQueries({ queryKey: ['decks', lesson.id] });
    });
    return (
        <Offcanvas show={show} onHide={onClose} placement="end" aria-labelledby="slides-title" className="side-panel">
            <Offcanvas.Header closeButton>
                <Offcanvas.Title id="slides-title" as="h2">
                    Slides
                </Offcanvas.Title>
            </Offcanvas.Header>
            <Offcanvas.Body>
                <SlideDrop
                    lesson={lesson}
                    label="Add slides"
                    onBrought={() => void client.invalidateQueries({ queryKey: ['decks', lesson.id] })}
                >
                    <Icon name="plus" /> Add slides
                    <span className="soft">PDF, pictures, a presentation, or a short film. Drop them here.</span>
                </SlideDrop>
                <DeckProgress lesson={lesson} decks={decks} onChanged={onChanged} />
                <TieOffer
                    lesson={lesson}
                    slides={slides}
                    places={places}
                    onTie={onTie}
                    onByWords={() => void beforeTie().then(() => setTying(true))}
                />
                {slides.length > 0 && (
                    <div className="panel-row">
                        <Button
                            size="sm"
                            variant="quiet"
                            onClick={() => void beforeTie().then(() => setTying(true))}
                            disabled={tying && ties.isFetching}
                        >
                            Tie slides for me
                        </Button>
                        <Button size="sm" variant="quiet" onClick={() => replace.current?.click()}>
                            Replace the deck
                        </Button>
                        <FilePick
                            input={replace}
                            label="New version of the deck"
                            accept=".pdf,.pptx,.odp"
                            onFile={(file) => swap.mutate(file, { onError: failed })}
                        />
                    </div>
                )}
                {tying && ties.data && (
                    <TieList
                        proposals={ties.data}
                        onAccept={(accepted) => {
                            onAccept(accepted);
                            setTying(false);
                        }}
                        onClose={() => setTying(false)}
                    />
                )}
                {slides.length > manySlides && (
                    <Form.Control
                        type="search"
                        size="sm"
                        aria-label="Find a slide by its words"
                        placeholder="Find a slide by its words"
                        value={sought}
                        onChange={(event) => setSought(event.target.value)}
                    />
                )}
                <ol className="deck-list">
                    {found.map((slide) => (
                        <DeckSlide key={slide.id} lesson={lesson} slide={slide} onInsert={() => onInsert(slide.name)} />
                    ))}
                </ol>
            </Offcanvas.Body>
        </Offcanvas>
    );
}

/** Slides that are shown nowhere and sections that show none: the way to bring them together stands right there. */
function TieOffer({
    lesson,
    slides,
    places,
    onTie,
    onByWords,
}: {
    lesson: Lesson;
    slides: Slide[];
    places: ScriptText;
    onTie: (index: number, name: string) => void;
    onByWords: () => void;
}) {
    const shown = new Set(places.sections.flatMap((section) => section.slides.map((one) => one.slide)));
    const free = slides.filter((slide) => !shown.has(slide.id));
    const bare = places.sections.flatMap((section, index) =>
        section.slides.length === 0 && !lesson.sections.find((one) => one.id === section.id)?.card ? [index] : [],
    );
    if (free.length === 0 || bare.length === 0) {
        return null;
    }
    const pairs = Math.min(free.length, bare.length);
    return (
        <section className="tie-offer" aria-label="Slides without a place">
            <p className="mb-1">
                {free.length === 1 ? 'One slide is' : `${free.length} slides are`} not in the script yet, and{' '}
                {bare.length === 1 ? 'one section has' : `${bare.length} sections have`} none.
            </p>
            <div className="panel-row">
                <Button
                    size="sm"
                    variant={free.length === bare.length ? 'primary' : 'quiet'}
                    onClick={() => free.slice(0, pairs).forEach((slide, at) => onTie(bare[at] ?? 0, slide.name))}
                >
                    One per section, in order
                </Button>
                <Button size="sm" variant={free.length === bare.length ? 'quiet' : 'primary'} onClick={onByWords}>
                    By their words
                </Button>
            </div>
        </section>
    );
}

function DeckSlide({ lesson, slide, onInsert }: { lesson: Lesson; slide: Slide; onInsert: () => void }) {
    const { say, failed } = useNotices();
    const file = useRef<HTMLInputElement>(null);
    const restore = useLessonChange(lesson.id, () => api.post(`slides/${slide.id}/restore`));
    const remove = useLessonChange(lesson.id, () => api.delete(`slides/${slide.id}`));
    const replace = useLessonChange(lesson.id, async (picture: File) => {
        const form = new FormData();
        form.append('file', picture);
        const { deck } = await api.post<{ deck: Deck | null }>(`slides/${slide.id}/picture`, form);
        const { refused } = await drawnSlides(lesson.id, deck ? [deck] : []);
        refused.forEach((why) => say(why));
    });
    return (
        <li>
            <img
                src={slide.url}
                alt={slide.text === '' ? `Slide: ${slide.name}` : `Slide: ${slide.text}`}
                loading="lazy"
            />
            <span className="name">{slide.name}</span>
            <Button size="sm" variant="quiet" onClick={onInsert} aria-label={`Put ${slide.name} where the cursor is`}>
                Put here
            </Button>
            <Dropdown align="end">
                <Dropdown.Toggle variant="quiet" size="sm" aria-label={`More about the slide ${slide.name}`}>
                    <Icon name="dots" />
                </Dropdown.Toggle>
                <Dropdown.Menu>
                    <Dropdown.Item as="button" onClick={() => file.current?.click()}>
                        Replace its picture...
                    </Dropdown.Item>
                    <Dropdown.Item
                        as="button"
                        onClick={() =>
                            remove.mutate(undefined, {
                                onSuccess: () =>
                                    say(`The slide ${slide.name} is removed.`, () => restore.mutate(undefined)),
                                onError: failed,
                            })
                        }
                    >
                        Remove slide
                    </Dropdown.Item>
                </Dropdown.Menu>
            </Dropdown>
            <FilePick
                input={file}
                label={`Another picture for ${slide.name}`}
                accept={`${pictureTypes},${filmTypes}`}
                onFile={(picture) => replace.mutate(picture, { onError: failed })}
            />
        </li>
    );
}
