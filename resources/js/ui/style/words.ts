import { setup } from '../../api/setup';
import type { StyleValue } from '../../api/types';
import { layoutOptions } from '../layouts';

/** What a choice is called: by its value, or made from it. */
type Says = Record<string, string> | ((value: number) => string);

const seconds = (ms: number) => `${ms / 1000} s`;
const fade = (ms: number) => (ms === 0 ? 'at once' : `with a fade of ${seconds(ms)}`);
const filter = { off: 'as it is', on: 'filtered' };
const corner = {
    'bottom-right': 'bottom right',
    'bottom-left': 'bottom left',
    'top-right': 'top right',
    'top-left': 'top left',
};

/** Subjects of the form. */
export const subjects: Record<string, string> = {
    frame: 'Frame of new lessons',
    picture: 'Picture',
    cards: 'Cards',
    logo: 'Logo',
    transitions: 'From one picture to the next',
    music: 'Music and sounds',
    films: 'Films',
    recording: 'Recording and sound',
};

/** What each setting is called, and its choices where they do not speak for themselves. */
const words: Record<string, { label: string; says?: Says }> = {
    fps: { label: 'Frames per second' },
    layout: { label: 'Layout', says: Object.fromEntries(layoutOptions) },
    inset_corner: { label: 'Corner of the inset', says: corner },
    inset_size: { label: 'Size of the inset' },
    inset_shape: { label: 'Shape of the inset' },
    border: {
        label: 'Border of the inset',
        says: { none: 'no border', thin: 'thin border', thick: 'thick border' },
    },
    border_colour: { label: 'Colour of the border' },
    inset_shadow: { label: 'Shadow of the inset', says: { off: 'no shadow', on: 'a soft shadow' } },
    ground: { label: 'Behind slides' },
    background: { label: 'Background', says: { plain: 'one colour', gradient: 'goes over into the accent' } },
    card: {
        label: 'Template',
        says: {
            page: 'Page: a short rule above the title',
            shore: 'Shore: a wave below the title',
            field: 'Field: one colour, centred',
        },
    },
    heading_face: { label: 'Title typeface', says: setup.faces },
    text_face: { label: 'Text typeface', says: setup.faces },
    paper: { label: 'Paper' },
    ink: { label: 'Ink' },
    accent: { label: 'Accent' },
    presenter: { label: "Presenter's name" },
    logo: { label: 'Logo' },
    logo_corner: { label: 'Corner of the logo', says: corner },
    logo_size: { label: 'Size of the logo' },
    join: { label: 'Sections meet with' },
    layout_move: {
        label: 'Layouts change',
        says: (ms) => (ms === 0 ? 'at once' : `with a move of ${seconds(ms)}`),
    },
    emphasis_look: { label: 'Emphasis looks', says: { plain: 'plain', 'hand-drawn': 'drawn by hand' } },
    hide_jumps: {
        label: 'Where the take changes',
        says: { on: 'closer, to hide the cut', off: 'as it was recorded' },
    },
    fade_in: { label: 'The film begins', says: fade },
    fade_out: { label: 'The film ends', says: fade },
    music_under: {
        label: 'Music by itself',
        says: (db) => (db === 0 ? 'as loud as the voice' : `${db} dB under the voice`),
    },
    music_depth: { label: 'Under speech', says: (db) => `${db} dB quieter still` },
    music_attack: { label: 'Steps back within', says: seconds },
    music_release: { label: 'Comes back within', says: seconds },
    card_sound: { label: 'When a card comes up', says: { off: 'no sound', on: 'a chime' } },
    page_sound: { label: 'When a section begins', says: { off: 'no sound', on: 'a page is turned' } },
    caption_look: { label: 'Captions in the picture', says: { box: 'on a ground', outline: 'with an outline' } },
    caption_size: { label: 'Size of captions' },
    film_name: { label: 'Names of films' },
    language: { label: 'Spoken language', says: { en: 'English', de: 'German', fr: 'French', es: 'Spanish' } },
    count_down: { label: 'Countdown', says: (s) => (s === 0 ? 'none' : `${s} seconds`) },
    sound_target: {
        label: 'Loudness of the film',
        says: {
            [-14]: '-14 LUFS, as music',
            [-16]: '-16 LUFS, speech online',
            [-18]: '-18 LUFS, quieter',
            [-23]: '-23 LUFS, for broadcast',
        },
    },
    computer_under: { label: "The computer's sound", says: (db) => `${db} dB under the voice` },
    noise_reduction: {
        label: 'Noise of the room',
        says: { off: 'as it is', light: 'reduced lightly', strong: 'reduced strongly' },
    },
    hum_filter: { label: 'Hum of the mains', says: filter },
    low_cut: { label: 'Rumble', says: filter },
    longest_pause: {
        label: 'Long pauses',
        says: (ms) => (ms === 0 ? 'as they were spoken' : `shortened to ${seconds(ms)}`),
    },
};

/** What a setting is called. */
export const labelOf = (setting: string): string => words[setting]?.label ?? setting;

/** What a choice of a setting is called. */
export function choiceSays(setting: string, value: StyleValue): string {
    const says = words[setting]?.says;
    return typeof says === 'function' ? says(Number(value)) : (says?.[String(value)] ?? String(value));
}

/** What is offered for a setting. */
export const choicesOf = (name: string): StyleValue[] =>
    Object.values(setup.style)
        .flat()
        .find((setting) => setting.name === name)?.choices ?? [];
