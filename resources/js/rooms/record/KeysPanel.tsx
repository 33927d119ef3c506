import { type KeyboardEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { type Action, ACTIONS, clash, keyName, keyNames, keyOf, keysOf, type OwnKeys } from '../../recorder/keys';
import { Icon } from '../../ui/Icon';

interface Props {
    own: OwnKeys;
    onChange: (own: OwnKeys) => void;
}

/** Every key of the room, to be changed; what clashes is told, and not taken. */
export function KeysPanel({ own, onChange }: Props) {
    const [waiting, setWaiting] = useState<Action | null>(null);
    const [told, setTold] = useState<{ action: Action; says: string } | null>(null);
    const hear = (action: Action) => (event: KeyboardEvent) => {
        if (waiting !== action || ['Shift', 'Control', 'Alt', 'Meta', 'Tab'].includes(event.key)) {
            return;
        }
        event.preventDefault();
        event.stopPropagation();
        setWaiting(null);
        const key = keyOf(event.key);
        const says =
            event.ctrlKey || event.altKey || event.metaKey
                ? 'Keys with Ctrl, Alt or Command belong to the browser. Press a key by itself.'
                : clash(action, key, own);
        setTold(says ? { action, says } : null);
        if (!says) {
            onChange({ ...own, [action]: [key] });
        }
    };
    const back = (action: Action) => {
        const { [action]: _, ...rest } = own;
        const taken = ACTIONS[action].keys.map((key) => clash(action, key, rest)).find((says) => says !== null);
        setTold(taken ? { action, says: taken } : null);
        if (!taken) {
            onChange(rest);
        }
    };
    return (
        <ul className="own-keys">
            {(Object.keys(ACTIONS) as Action[]).map((action) => (
                <li key={action}>
                    <span>{ACTIONS[action].does}</span>
                    <Button
                        size="sm"
                        variant="quiet"
                        aria-label={`${ACTIONS[action].does}: ${keyNames(keysOf(action, own))}. Change the key`}
                        onClick={() => {
                            setWaiting(action);
                            setTold(null);
                        }}
                        onKeyDown={hear(action)}
                        onBlur={() => setWaiting(null)}
                    >
                        {waiting === action
                            ? 'Press a key'
                            : keysOf(action, own).map((key) => <kbd key={key}>{keyName(key)}</kbd>)}
                    </Button>
                    {own[action] && (
                        <Button size="sm" variant="quiet" onClick={() => back(action)}>
                            As before
                        </Button>
                    )}
                    {told?.action === action && (
                        <p className="device-problem" role="alert">
                            <Icon name="exclamation" /> {told.says}
                        </p>
                    )}
                </li>
            ))}
        </ul>
    );
}
