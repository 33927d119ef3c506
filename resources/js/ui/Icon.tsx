import arrowCounter from 'bootstrap-icons/icons/arrow-counterclockwise.svg?raw';
import check from 'bootstrap-icons/icons/check-lg.svg?raw';
import download from 'bootstrap-icons/icons/download.svg?raw';
import exclamation from 'bootstrap-icons/icons/exclamation-triangle.svg?raw';
import grip from 'bootstrap-icons/icons/grip-vertical.svg?raw';
import keyboard from 'bootstrap-icons/icons/keyboard.svg?raw';
import mic from 'bootstrap-icons/icons/mic.svg?raw';
import pause from 'bootstrap-icons/icons/pause-fill.svg?raw';
import play from 'bootstrap-icons/icons/play-fill.svg?raw';
import plus from 'bootstrap-icons/icons/plus-lg.svg?raw';
import dot from 'bootstrap-icons/icons/record-fill.svg?raw';
import stop from 'bootstrap-icons/icons/stop-fill.svg?raw';
import dots from 'bootstrap-icons/icons/three-dots.svg?raw';
import comment from 'bootstrap-icons/icons/chat-left-text.svg?raw';
import cross from 'bootstrap-icons/icons/x-lg.svg?raw';

const drawings = {
    arrowCounter,
    check,
    comment,
    cross,
    dot,
    dots,
    download,
    exclamation,
    grip,
    keyboard,
    mic,
    pause,
    play,
    plus,
    stop,
};

/** A drawing beside a word; never the only name of a control. */
export function Icon({ name }: { name: keyof typeof drawings }) {
    return (
        <span
            aria-hidden="true"
            style={{ display: 'inline-flex' }}
            dangerouslySetInnerHTML={{ __html: drawings[name].replace('<svg', '<svg class="icon"') }}
        />
    );
}
