import { type ReactNode, useId } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { setup } from '../../api/setup';
import type { Logo, Style, StyleSetting, StyleValue } from '../../api/types';
import { Icon } from '../Icon';
import { FrameSelect } from './FrameSelect';
import { StyleSample } from './StyleSample';
import { choiceSays, labelOf, subjects } from './words';

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

/** The parts of a style, with a picture of what they make. Every change is kept at once. */
export function StyleForm({ style, logos, warnings, own = [], withFrame, logoUpload, onChange }: Props) {
    const part = { style, own, onChange };
    const isShown = ({ name }: StyleSetting) =>
        // Width and height are one choice; where a logo stands is asked when there is one.
        !['width', 'height'].includes(name) && (!name.startsWith('logo_') || Boolean(style.logo));
    return (
        <div className="style-form">
            <StyleSample style={style} />
            {warnings.map((says) => (
                <p key={says} className="flag">
                    <Icon name="exclamation" /> {says}
                </p>
            ))}
            {Object.entries(setup.style)
                .filter(([subject]) => subject !== 'frame' || withFrame)
                .map(([subject, settings]) => (
                    <Group key={subject} name={subjects[subject] ?? subject}>
                        {subject === 'frame' && <Frame style={style} onChange={onChange} />}
                        {settings.filter(isShown).map((setting) => (
                            <Field key={setting.name} {...part} setting={setting} logos={logos} />
                        ))}
                        {subject === 'logo' && logoUpload}
                        {subject === 'films' && (
                            <p className="soft mb-0 style-note">
                                In a name, {'{course}'}, {'{number}'} (of the lesson in its course), {'{title}'},{' '}
                                {'{date}'} and {'{version}'} stand for what they say.
                            </p>
                        )}
                    </Group>
                ))}
        </div>
    );
}

interface PartProps {
    style: Style;
    own: string[];
    name: string;
    onChange: Props['onChange'];
}

/** A setting as it is chosen. */
function Field({
    setting: { name, kind, choices },
    logos,
    ...part
}: Omit<PartProps, 'name'> & { setting: StyleSetting; logos: Logo[] }) {
    switch (kind) {
        case 'colour':
            return <Paint {...part} name={name} />;
        case 'text':
            return <Text {...part} name={name} />;
        case 'id':
            return (
                <Choice
                    {...part}
                    name={name}
                    options={[['', 'no logo'], ...logos.map((logo): [StyleValue, string] => [logo.id, logo.name])]}
                />
            );
        case 'choice':
            return <Choice {...part} name={name} options={choices.map((value) => [value, choiceSays(name, value)])} />;
    }
}

function Group({ name, children }: { name: string; children: ReactNode }) {
    return (
        <fieldset>
            <legend>{name}</legend>
            <div className="style-parts">{children}</div>
        </fieldset>
    );
}

function Part({ own, name, onChange, id, children }: Omit<PartProps, 'style'> & { id: string; children: ReactNode }) {
    const label = labelOf(name);
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

function Choice({ options, ...props }: PartProps & { options: [StyleValue, string][] }) {
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
