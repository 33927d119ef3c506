import { type RefObject, useEffect, useState } from 'react';

/** Whether an element has been in sight, so that what is costly to find out is asked only for what is looked at. */
export function useInSight(element: RefObject<Element | null>): boolean {
    const [seen, setSeen] = useState(false);
    useEffect(() => {
        const one = element.current;
        if (!one || seen) {
            return;
        }
        const watch = new IntersectionObserver((entries) => entries.some((e) => e.isIntersecting) && setSeen(true));
        watch.observe(one);
        return () => watch.disconnect();
    }, [element, seen]);
    return seen;
}
