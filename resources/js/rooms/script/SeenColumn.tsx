import Dropdown from 'react-bootstrap/Dropdown';
import { Link } from 'react-router';
import type { Lesson, ScriptSection, ScriptText, Section, Slide } from '../../api/types';
import type { PageGeometry } from '../../page/geometry';
import { roomPath } from '../../shell/paths';
import { sectionState } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';
import { DrawnImage } from '../../ui/DrawnImage';
import { about, clock } from '../../lib/time';
import { changedSince } from './changed';
import { SlideDrop } from './SlideDrop';

interface Props {
    lesson: Lesson;
    places: ScriptText;
    geometry: PageGeometry;
    /** Undefined until they are read. */
    slides: Slide[] | undefined;
    onTie: (index: number, names: string[]) => void;
    onUntie: (index: number) => void;
    onMove: (index: number, by: -1 | 1) => void;
    onRemove: (index: number) => void;
}

/** What is seen beside what is said: each section's slides, and how it stands. Only what can be seen is drawn. */
export function SeenColumn({ lesson, places, geometry, slides, ...acts }: Props) {
    let free = 0;
    return (
        <ol className="seen" aria-label="What is seen">
            {geometry.sections.map(({ id, index, top }) => {
                const section = lesson.sections.find((s) => s.id === id);
                const place = places.sections.find((s) => s.id === id);
                if (!section || !place) {
                    return null;
                }
                const at = Math.max(top, free);
                const shown = place.slides.flatMap(({ slide }) => slides?.find((s) => s.id === slide) ?? []);
                free = at + heightOf(lesson, place, shown.length);
                return (
                    <li key={id} className="seen-section" style={{ top: at }}>
                        <Facts lesson={lesson} section={section} index={index} hasSlide={shown.length > 0} {...acts} />
                        {slides && (
                            <Pictures
                                lesson={lesson}
                                place={place}
                                index={index}
                                shown={shown}
                                onTie={(names) => acts.onTie(index, names)}
                            />
                        )}
                    </li>
                );
            })}
        </ol>
    );
}

const stages = { screen: 'A screen', board: 'The board', 'camera alone': 'The presenter alone' };

const rowHeight = 34;
const pictureWidth = 208;

/** Several slides stand two in a row. */
function heightOf(lesson: Lesson, place: ScriptSection, slides: number): number {
    const wide = (pictureWidth * lesson.height) / lesson.width;
    const picture = Math.min(wide, 160);
    const pictures = place.card_url || slides <= 1 ? picture : Math.ceil(slides / 2) * (picture / 2 + 8);
    return rowHeight + pictures + 14;
}

function Pictures({
    lesson,
    place,
    index,
    shown,
    onTie,
}: {
    lesson: Lesson;
    place: ScriptSection;
    index: number;
    shown: Slide[];
    onTie: (names: string[]) => void;
}) {
    if (place.card_url) {
        return <DrawnImage className="seen-card" src={place.card_url} alt={`Card of section ${index + 1}`} />;
    }
    if (place.stage && shown.length === 0) {
        const { kind, says } = place.stage;
        return (
            <p className="seen-stage">
                <strong>{stages[kind]}</strong>
                {says}
            </p>
        );
    }
    if (shown.length > 1) {
        return (
            <div className="seen-several">
                {shown.map((slide, at) => (
                    <img key={`${slide.id}/${at}`} src={slide.url} alt={`Slide: ${slide.name}`} title={slide.name} />
                ))}
            </div>
        );
    }
    return (
        <SlideDrop lesson={lesson} slide={shown[0] ?? null} label={`Slide of section ${index + 1}`} onBrought={onTie} />
    );
}

function Facts({
    lesson,
    section,
    index,
    hasSlide,
    onMove,
    onRemove,
    onUntie,
}: { lesson: Lesson; section: Section; index: number; hasSlide: boolean } & Pick<
    Props,
    'onMove' | 'onRemove' | 'onUntie'
>) {
    const state = sectionState(section);
    const changed = changedSince(lesson).filter((one) => one.section === section.id);
    const room = state.fill === 'hollow' ? 'record' : 'review';
    return (
        <div className="seen-facts">
            <span className="times">
                {index + 1} ·{' '}
                {section.card
                    ? `${clock(section.card.length_ms)} card`
                    : section.lines.length > 0
                      ? about(section.estimate_ms)
                      : 'nothing to say yet'}
                {section.target_ms !== null && ` / ${clock(section.target_ms)}`}
            </span>
            {changed.length > 0 && (
                <span className="flag" title={changed.map((one) => one.says).join('\n')}>
                    <Icon name="exclamation" /> {changed.length} changed
                </span>
            )}
            {!section.card && section.lines.length > 0 && (
                <Link to={roomPath(lesson.id, room, section.id)} aria-label={`Section ${index + 1}: ${state.says}`}>
                    {state.fill === 'hollow' ? 'Record' : state.says.split(',')[0]}
                </Link>
            )}
            <Dropdown align="end">
                <Dropdown.Toggle variant="quiet" size="sm" aria-label={`More about section ${index + 1}`}>
                    <Icon name="dots" />
                </Dropdown.Toggle>
                <Dropdown.Menu>
                    {changed.map((one) => (
                        <Dropdown.ItemText key={one.line}>{one.says}</Dropdown.ItemText>
                    ))}
                    <Dropdown.Item as="button" disabled={index === 0} onClick={() => onMove(index, -1)}>
                        Move up
                    </Dropdown.Item>
                    <Dropdown.Item
                        as="button"
                        disabled={index === lesson.sections.length - 1}
                        onClick={() => onMove(index, 1)}
                    >
                        Move down
                    </Dropdown.Item>
                    {hasSlide && (
                        <Dropdown.Item as="button" onClick={() => onUntie(index)}>
                            Remove the slide
                        </Dropdown.Item>
                    )}
                    <Dropdown.Divider />
                    <Dropdown.Item as="button" onClick={() => onRemove(index)}>
                        Remove section
                    </Dropdown.Item>
                </Dropdown.Menu>
            </Dropdown>
        </div>
    );
}
