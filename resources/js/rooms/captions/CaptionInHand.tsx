import { type KeyboardEvent, type ReactNode, useEffect, useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { CaptionAt } from '../../api/types';
import { Icon } from '../../ui/Icon';
import { KeysDialog } from '../../ui/KeysDialog';

interface Props {
    caption: CaptionAt;
    text: string;
    /** There is none behind it in its section to which words could go. */
    isLast: boolean;
    disabled: boolean;
    onType: (text: string) => void;
    onRight: () => void;
    onHear: () => void;
    onStep: (by: number) => void;
    onEnd: (by: number) => void;
    onUncheck: () => void;
    /** Stands below the caption: what it says in another language. */
    children?: ReactNode;
}

/** One caption: read, put right, or given another end. */
export function CaptionInHand(props: Props) {
    const { caption, text, isLast, disabled, onType, onRight, onHear, onStep, onEnd, onUncheck } = props;
    const field = useRef<HTMLTextAreaElement>(null);
    useEffect(() => field.current?.focus({ preventScroll: true }), []);
    const keys = [
        { keys: ['Enter'], name: 'Enter', does: 'It is right: on to the next that nobody has read', act: onRight },
        { keys: ['PageDown', 'ArrowDown'], name: 'Page Down', does: 'Next caption', act: () => onStep(1) },
        { keys: ['PageUp', 'ArrowUp'], name: 'Page Up', does: 'Caption before', act: () => onStep(-1) },
        { keys: [' '], name: 'Ctrl+Space', does: 'Hear it again', act: onHear },
        {
            keys: ['['],
            name: 'Alt+←',
            does: 'One word less: it goes to the next caption',
            act: () => onEnd(-1),
            when: !isLast,
        },
        {
            keys: [']'],
            name: 'Alt+→',
            does: 'One word more, from the next caption',
            act: () => onEnd(1),
            when: !isLast,
        },
    ];
    /** In the text the keys that type are left to it. */
    const hear = (event: KeyboardEvent) => {
        const does: Record<string, (() => void) | undefined> = {
            Enter: event.shiftKey || event.nativeEvent.isComposing ? undefined : onRight,
            PageDown: () => onStep(1),
            PageUp: () => onStep(-1),
            ' ': event.ctrlKey ? onHear : undefined,
            ArrowLeft: event.altKey && !isLast ? () => onEnd(-1) : undefined,
            ArrowRight: event.altKey && !isLast ? () => onEnd(1) : undefined,
        };
        const act = does[event.key];
        if (act) {
            event.preventDefault();
            act();
        }
    };
    return (
        <div className="caption-in-hand">
            <Form.Control
                as="textarea"
                ref={field}
                rows={2}
                className="caption-text"
                aria-label="The caption"
                aria-describedby="caption-told"
                value={text}
                maxLength={400}
                onChange={(event) => onType(event.target.value)}
                onKeyDown={hear}
            />
            <div id="caption-told">
                {caption.to_fill && (
                    <p className="flag mb-0">
                        <Icon name="exclamation" /> Something is said here that the script does not have. Write what it
                        is, or go on without: then nothing is shown.
                    </p>
                )}
                {!caption.to_fill && text.split(/\s+/).join(' ') !== caption.was && (
                    <p className="soft mb-0">The script says: {caption.was}</p>
                )}
                {caption.before !== null && (
                    <p className="flag mb-0">
                        <Icon name="exclamation" /> It changed since it was checked. It was: {caption.before}
                    </p>
                )}
                {caption.problem && (
                    <p className="flag mb-0">
                        <Icon name="exclamation" /> {caption.problem}
                    </p>
                )}
            </div>
            {props.children}
            <div className="caption-acts">
                <Button onClick={onRight}>Right, next</Button>
                <Button variant="quiet" onClick={onHear}>
                    <Icon name="play" /> Hear it again
                </Button>
                <Button variant="quiet" disabled={isLast} onClick={() => onEnd(-1)}>
                    One word less
                </Button>
                <Button variant="quiet" disabled={isLast} onClick={() => onEnd(1)}>
                    One word more
                </Button>
                {caption.checked && (
                    <Button variant="quiet" disabled={disabled} onClick={onUncheck}>
                        Not checked after all
                    </Button>
                )}
                <KeysDialog keys={keys} />
            </div>
        </div>
    );
}
