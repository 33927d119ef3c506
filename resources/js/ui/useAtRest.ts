import { useEffect, useState } from 'react';

/** Whether a value has been the same for so many milliseconds. */
export function useAtRest(value: string | undefined, milliseconds: number): boolean {
    const [rested, setRested] = useState<{ value: string | undefined } | null>(null);
    useEffect(() => {
        const timer = setTimeout(() => setRested({ value }), milliseconds);
        return () => clearTimeout(timer);
    }, [value, milliseconds]);
    return rested !== null && rested.value === value;
}
