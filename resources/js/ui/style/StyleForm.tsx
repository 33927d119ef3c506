import { layoutOptions } from '../layouts';
import { type ReactNode, useId } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { setup } from '../../api/setup';
import type { Logo, Style, StyleValue } from '../../api/types';
import { Icon } from '../Icon';
import { joins } from '../../lib/transitions';
import { FrameSelect } from './FrameSelect';
import { StyleSample } from './StyleSample';

interface Props {
    style: Style;
    logos: Logo[];
    warnings: string[];
    /** Names of what differs from the course; each can be returned. Empty for the course itself. */
    own?: string[];
    /** Frame size and rate can only be chosen for lessons still to be made. */
    withFrame: boolean;
    /** Offers a place for another logo. */
    logoUpload?: ReactNode;
    onChange: (change: Record<string, StyleValue>) => void;
}

type Options = [StyleValue, string][];

const corners: Options = [
    ['bottom-right', 'bottom right'],
    ['bottom-left', 'bottom left'],
    ['top-right', 'top right'],
    ['top-left', 'top left'],
];
const sizes: Options = [
    ['small', 'small'],
    ['medium', 'medium'],
    ['large', 'large'],
];
const shapes: Options = [
    ['rectangle', 'rectangle'],
    ['rounded', 'rounded'],
    ['circle', 'circle'],
];
const borders: Options = [
    ['none', 'no border'],
    ['thin', 'thin border'],
    ['thick', 'thick border'],
];
const shadows: Options = [
    ['off', 'no shadow'],
    ['on', 'a soft shadow'],
];
const backgrounds: Options = [
    ['plain', 'one colour'],
    ['gradient', 'goes over into the accent'],
];
const cards: Options = [
    ['page', 'Page: a short rule above the title'],
    ['shore', 'Shore: a wave below the title'],
    ['field', 'Field: one colour, centred'],
];
const looks: Options = [
    ['plain', 'plain'],
    ['hand-drawn', 'drawn by hand'],
];
const jumps: Options = [
    ['on', 'closer, to hide the cut'],
    ['off', 'as it was recorded'],
];
const fades: Options = setup.fades.map((ms) => [ms, ms === 0 ? 'at once' : `with a fade of ${ms / 1000} s`]);
const chime: Options = [
    ['off', 'no sound'],
    ['on', 'a chime'],
];
const page: Options = [
    ['off', 'no sound'],
    ['on', 'a page is turned'],
];
const captionLooks: Options = [
    ['box', 'on a ground'],
    ['outline', 'with an outline'],
];
const captionSizes: Options = [
    ['medium', 'medium'],
    ['large', 'large'],
];
const loudness: Record<number, string> = {
    [-14]: '-14 LUFS, as music',
    [-16]: '-16 LUFS, speech online',
    [-18]: '-18 LUFS, quieter',
    [-23]: '-23 LUFS, for broadcast',
};

/** The parts of a style, with a picture of what they make. Every change is kept at once. */
export function StyleForm({ style, logos, warnings, own = [], withFrame, logoUpload, onChange }: Props) {
    const part = { style, own, onChange };
    return (
        <div className="style-form">
            <StyleSample style={style} />
            {warnings.map((says) => (
                <p key={says} className="flag">
                    <Icon name="exclamation" /> {says}
                </p>
            ))}
            {withFrame && (
                <Group name="Frame of new lessons">
                    <Frame style={style} onChange={onChange} />
                    <Choice
                        {...part}
                        name="fps"
                        label="Frames per second"
                        options={setup.rates.map((r) => [r, String(r)])}
                    />
                </Group>
            )}
            <Group name="Picture">
                <Choice {...part} name="layout" label="Layout" options={layoutOptions} />
                <Choice {...part} name="inset_corner" label="Corner of the inset" options={corners} />
                <Choice {...part} name="inset_size" label="Size of the inset" options={sizes} />
                <Choice {...part} name="inset_shape" label="Shape of the inset" options={shapes} />
                <Choice {...part} name="border" label="Border of the inset" options={borders} />
                <Paint {...part} name="border_colour" label="Colour of the border" />
                <Choice {...part} name="inset_shadow" label="Shadow of the inset" options={shadows} />
                <Paint {...part} name="ground" label="Behind slides" />
                <Choice {...part} name="background" label="Background" options={backgrounds} />
            </Group>
            <Group name="Cards">
                <Choice {...part} name="card" label="Template" options={cards} />
                <Choice {...part} name="heading_face" label="Title typeface" options={Object.entries(setup.faces)} />
                <Choice {...part} name="text_face" label="Text typeface" options={Object.entries(setup.faces)} />
                <Paint {...part} name="paper" label="Paper" />
                <Paint {...part} name="ink" label="Ink" />
                <Paint {...part} name="accent" label="Accent" />
                <Text {...part} name="presenter" label="Presenter's name" />
            </Group>
            <Group name="Logo">
                <Choice
                    {...part}
                    name="logo"
                    label="Logo"
                    options={[['', 'no logo'], ...logos.map((logo): [StyleValue, string] => [logo.id, logo.name])]}
                />
                {style.logo && (
                    <>
                        <Choice {...part} name="logo_corner" label="Corner of the logo" options={corners} />
                        <Choice {...part} name="logo_size" label="Size of the logo" options={sizes} />
                    </>
                )}
                {logoUpload}
            </Group>
            <Group name="From one picture to the next">
                <Choice {...part} name="join" label="Sections meet with" options={joins.map((join) => [join, join])} />
                <Choice
                    {...part}
                    name="layout_move"
                    label="Layouts change"
                    options={setup.layout_moves.map((ms) => [
                        ms,
                        ms === 0 ? 'at once' : `with a move of ${ms / 1000} s`,
                    ])}
                />
                <Choice {...part} name="emphasis_look" label="Emphasis looks" options={looks} />
                <Choice {...part} name="hide_jumps" label="Where the take changes" options={jumps} />
                <Choice {...part} name="fade_in" label="The film begins" options={fades} />
                <Choice {...part} name="fade_out" label="The film ends" options={fades} />
            </Group>
            <Group name="Music and sounds">
                <Choice
                    {...part}
                    name="music_under"
                    label="Music by itself"
                    options={setup.music_under.map((db) => [
                        db,
                        db === 0 ? 'as loud as the voice' : `${db} dB under the voice`,
                    ])}
                />
                <Choice
                    {...part}
                    name="music_depth"
                    label="Under speech"
                    options={setup.music_depths.map((db) => [db, `${db} dB quieter still`])}
                />
                <Choice
                    {...part}
                    name="music_attack"
                    label="Steps back within"
                    options={setup.music_attacks.map((ms) => [ms, `${ms / 1000} s`])}
                />
                <Choice
                    {...part}
                    name="music_release"
                    label="Comes back within"
                    options={setup.music_releases.map((ms) => [ms, `${ms / 1000} s`])}
                />
                <Choice {...part} name="card_sound" label="When a card comes up" options={chime} />
                <Choice {...part} name="page_sound" label="When a section begins" options={page} />
            </Group>
            <Group name="Films">
                <Choice {...part} name="caption_look" label="Captions in the picture" options={captionLooks} />
                <Choice {...part} name="caption_size" label="Size of captions" options={captionSizes} />
                <Text {...part} name="film_name" label="Names of films" />
                <p className="soft mb-0 style-note">
                    In a name, {'{course}'}, {'{number}'} (of the lesson in its course), {'{title}'}, {'{date}'} and{' '}
                    {'{version}'} stand for what they say.
                </p>
            </Group>
            <Group name="Recording and sound">
                <Choice
                    {...part}
                    name="language"
                    label="Spoken language"
                    options={[
                        ['en', 'English'],
                        ['de', 'German'],
                        ['fr', 'French'],
                        ['es', 'Spanish'],
                    ]}
                />
                <Choice
                    {...part}
                    name="count_down"
                    label="Countdown"
                    options={[0, 3, 5, 10].map((s) => [s, s === 0 ? 'none' : `${s} seconds`])}
                />
                <Choice
                    {...part}
                    name="sound_target"
                    label="Loudness of the film"
                    options={setup.sound_targets.map((t) => [t, loudness[t] ?? `${t} LUFS`])}
                />
                <Choice
                    {...part}
                    name="computer_under"
                    label="The computer's sound"
                    options={setup.computer_under.map((db) => [db, `${db} dB under the voice`])}
                />
                <Choice
                    {...part}
                    name="noise_reduction"
                    label="Noise of the room"
                    options={[
                        ['off', 'as it is'],
                        ['light', 'reduced lightly'],
                        ['strong', 'reduced strongly'],
                    ]}
                />
                <Choice
                    {...part}
                    name="hum_filter"
                    label="Hum of the mains"
                    options={[
                        ['off', 'as it is'],
                        ['on', 'filtered'],
                    ]}
                />
                <Choice
                    {...part}
                    name="low_cut"
                    label="Rumble"
                    options={[
                        ['off', 'as it is'],
                        ['on', 'filtered'],
                    ]}
                />
                <Choice
                    {...part}
                    name="longest_pause"
                    label="Long pauses"
                    options={[
                        [0, 'as they were spoken'],
                        [500, 'shortened to 0.5 s'],
                        [700, 'shortened to 0.7 s'],
                        [1000, 'shortened to 1 s'],
                    ]}
                />
            </Group>
        </div>
    );
}

function Group({ name, children }: { name: string; children: ReactNode }) {
    return (
        <fieldset>
            <legend>{name}</legend>
            <div className="style-parts">{children}</div>
        </fieldset>
    );
}

interface PartProps {
    style: Style;
    own: string[];
    name: string;
    label: string;
    onChange: Props['onChange'];
}

function Part({
    own,
    name,
    label,
    onChange,
    id,
    children,
}: Omit<PartProps, 'style'> & { id: string; children: ReactNode }) {
    return (
        <div className="style-part">
            <Form.Label htmlFor={id}>{label}</Form.Label>
            {children}
            {own.includes(name) && (
                <Button
                    size="sm"
                    variant="quiet"
                    aria-label={`${label} as in the course`}
                    onClick={() => onChange({ [name]: null })}
                >
                    <Icon name="arrowCounter" /> As in the course
                </Button>
            )}
        </div>
    );
}

function Choice({ options, ...props }: PartProps & { options: Options }) {
    const id = useId();
    const value = props.style[props.name] ?? '';
    const known = options.some(([key]) => key === value);
    return (
        <Part {...props} id={id}>
            <Form.Select
                id={id}
                size="sm"
                value={String(value)}
                onChange={(event) => {
                    const chosen = options.find(([key]) => String(key) === event.target.value);
                    if (chosen) {
                        props.onChange({ [props.name]: chosen[0] });
                    }
                }}
            >
                {!known && <option value={String(value)}>{String(value)}</option>}
                {options.map(([key, says]) => (
                    <option key={String(key)} value={String(key)}>
                        {says}
                    </option>
                ))}
            </Form.Select>
        </Part>
    );
}

function Paint(props: PartProps) {
    const id = useId();
    const value = `#${String(props.style[props.name]).toLowerCase()}`;
    return (
        <Part {...props} id={id}>
            <Form.Control
                id={id}
                size="sm"
                type="color"
                key={value}
                defaultValue={value}
                title={value}
                onBlur={(event) => event.target.value !== value && props.onChange({ [props.name]: event.target.value })}
                onInput={(event) => {
                    // While the colour is still being looked for, nothing is kept.
                    event.currentTarget.title = event.currentTarget.value;
                }}
            />
        </Part>
    );
}

function Text(props: PartProps) {
    const id = useId();
    const value = String(props.style[props.name] ?? '');
    return (
        <Part {...props} id={id}>
            <Form.Control
                id={id}
                size="sm"
                maxLength={100}
                key={value}
                defaultValue={value}
                onBlur={(event) => event.target.value !== value && props.onChange({ [props.name]: event.target.value })}
            />
        </Part>
    );
}

function Frame({ style, onChange }: Pick<Props, 'style' | 'onChange'>) {
    const id = useId();
    return (
        <div className="style-part">
            <Form.Label htmlFor={id}>Size</Form.Label>
            <FrameSelect
                id={id}
                value={`${style.width}x${style.height}`}
                onChange={(width, height) => onChange({ width, height })}
            />
        </div>
    );
}
