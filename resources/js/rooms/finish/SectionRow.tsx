import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { changeSection, useLessonChange } from '../../api/lesson';
import type { Lesson, Section, Segment } from '../../api/types';
import { roomPath } from '../../shell/paths';
import { useNotices } from '../../shell/Notices';
import { sectionState, sectionTitle } from '../../shell/sectionState';
import { FramePicture } from '../../ui/FramePicture';
import { Icon } from '../../ui/Icon';
import { clock } from '../../ui/time';

interface Props {
    lesson: Lesson;
    section: Section;
    index: number;
    /** What is heard of it, in order. */
    segments: Segment[];
}

const layouts = {
    'slide-with-inset': 'Slide with inset',
    'side-by-side': 'Side by side',
    'slide-alone': 'Slide alone',
    'camera-alone': 'Camera alone',
};
const corners = {
    'bottom-right': 'bottom right',
    'bottom-left': 'bottom left',
    'top-right': 'top right',
    'top-left': 'top left',
};
const cardNames = { opening: 'Opening card', divider: 'Divider', closing: 'Closing card' };
const sizes = { small: 'small', medium: 'medium', large: 'large' };

/** One section of the film: what it looks like, which take it uses, and how slide and camera share the frame. */
export function SectionRow({ lesson, section, index, segments }: Props) {
    const segment = segments[0];
    const frames = segments.reduce((sum, one) => sum + one.frames, 0);
    const { failed } = useNotices();
    const save = useLessonChange(lesson.id, (change: Parameters<typeof changeSection>[1]) =>
        changeSection(section.id, change),
    );
    const change = (what: Parameters<typeof changeSection>[1]) => save.mutate(what, { onError: failed });
    const state = sectionState(section);
    const title = sectionTitle(section, index);
    const name = `section ${index + 1}`;
    const shot = segment?.shots[0];
    const missesCamera = segment?.take_id && section.layout !== 'slide-alone' && !state.kept?.camera;
    const missesSlide = segment?.take_id && section.layout !== 'camera-alone' && !section.slide;
    return (
        <li className="section-row">
            <div className="thumb">
                {shot ? (
                    <FramePicture
                        picture={shot.picture}
                        label={`Picture of ${name}`}
                        camera={state.kept?.poster_url && <img src={state.kept.poster_url} alt="" />}
                    />
                ) : (
                    <div className="no-take">not in the film</div>
                )}
            </div>
            <div>
                <h2>
                    {index + 1}. {title}
                </h2>
                <p className="soft times mb-1">
                    {section.card ? (
                        `${cardNames[section.card.kind]} · ${clock(section.card.length_ms)}`
                    ) : segment && state.kept ? (
                        <>
                            <Link to={roomPath(lesson.id, 'review', section.id)}>Take {state.kept.number}</Link> ·{' '}
                            {clock((1000 * frames) / lesson.fps)}
                        </>
                    ) : section.coverage.elsewhere ? (
                        'Spoken in the take of another section'
                    ) : state.waiting ? (
                        <Link to={roomPath(lesson.id, 'review', section.id)}>
                            Take {state.waiting.number} waits for your verdict
                        </Link>
                    ) : (
                        <Link to={roomPath(lesson.id, 'record', section.id)}>Record {name}</Link>
                    )}
                    {state.kept && state.notched && (
                        <span className="flag ms-2">
                            <Icon name="exclamation" /> look here
                        </span>
                    )}
                </p>
                {section.card ? null : (
                    <div className="choices">
                        <Choice
                            label={`Layout of ${name}`}
                            options={layouts}
                            value={section.layout}
                            onChange={(layout) => change({ layout })}
                        />
                        {section.layout === 'slide-with-inset' && (
                            <>
                                <Choice
                                    label={`Corner of the inset in ${name}`}
                                    options={corners}
                                    value={section.inset_corner}
                                    onChange={(inset_corner) => change({ inset_corner })}
                                />
                                <Choice
                                    label={`Size of the inset in ${name}`}
                                    options={sizes}
                                    value={section.inset_size}
                                    onChange={(inset_size) => change({ inset_size })}
                                />
                            </>
                        )}
                        {section.own_layout && (
                            <Button
                                size="sm"
                                variant="quiet"
                                aria-label={`Layout of ${name} as the house style has it`}
                                onClick={() => change({ layout: null, inset_corner: null, inset_size: null })}
                            >
                                As the house style
                            </Button>
                        )}
                    </div>
                )}
                {(missesCamera || missesSlide) && (
                    <p className="soft small mb-0">
                        {missesSlide && missesCamera
                            ? 'There is neither slide nor camera: the frame stays plain.'
                            : missesCamera
                              ? 'This take has no camera, so the slide is shown alone.'
                              : 'There is no slide, so the camera is shown alone.'}
                    </p>
                )}
            </div>
        </li>
    );
}

function Choice<Value extends string>({
    label,
    options,
    value,
    onChange,
}: {
    label: string;
    options: Record<Value, string>;
    value: Value;
    onChange: (value: Value) => void;
}) {
    return (
        <Form.Select
            size="sm"
            aria-label={label}
            value={value}
            onChange={(event) => onChange(event.target.value as Value)}
        >
            {(Object.entries(options) as [Value, string][]).map(([key, name]) => (
                <option key={key} value={key}>
                    {name}
                </option>
            ))}
        </Form.Select>
    );
}
