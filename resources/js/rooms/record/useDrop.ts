import { useEffect, useRef, useState } from 'react';

const ARMED_MS = 3000;

/** Dropping a take asks for a second press within three seconds, so that it cannot happen by accident. */
export function useDrop(drop: () => void) {
    const [armed, setArmed] = useState(false);
    const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
    useEffect(() => () => clearTimeout(timer.current), []);
    const press = () => {
        clearTimeout(timer.current);
        setArmed(!armed);
        if (armed) {
            drop();
        } else {
            timer.current = setTimeout(() => setArmed(false), ARMED_MS);
        }
    };
    return { armed, press };
}
