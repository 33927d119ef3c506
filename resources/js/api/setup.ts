import type { Setup } from './types';

/** What the server put into the page. */
export const setup = JSON.parse(globalThis.document?.getElementById('setup')?.textContent ?? '{}') as Setup;
