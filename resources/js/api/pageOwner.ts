import { setup } from './setup';

/** Who had signed in when this page was opened; nobody where one works alone. */
export const pageOwner: string | null = setup.person ?? null;

/** With every request: whose page it comes from, so that nothing is sent as somebody else who has signed in here since. */
export const ofThisPage: Record<string, string> = pageOwner === null ? {} : { 'X-Open-Reel-Person': pageOwner };

/** A place in this browser's storage for what one person types. */
export const ownPlace = (place: string): string => (pageOwner === null ? place : `${place}@${pageOwner}`);

/** Whether what is kept in this browser may be sent from here: this person's, and what was kept when nobody signed in. */
export const isOurs = (kept: { person?: string | null }): boolean =>
    pageOwner === null || (kept.person ?? pageOwner) === pageOwner;
