import type { Layout } from '../api/types';

/** How stage and camera share the frame: what each layout is called, and where there is little room. */
export const layouts: readonly { layout: Layout; name: string; short: string }[] = [
    { layout: 'slide-with-inset', name: 'Slide with inset', short: 'Inset' },
    { layout: 'side-by-side', name: 'Side by side', short: 'Side by side' },
    { layout: 'slide-alone', name: 'Slide alone', short: 'Stage' },
    { layout: 'camera-alone', name: 'Camera alone', short: 'Camera' },
];

/** As a list to choose from. */
export const layoutOptions: [Layout, string][] = layouts.map(({ layout, name }) => [layout, name]);
