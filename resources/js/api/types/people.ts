// Who works here, and what they may do.
import type { ChangedSince } from './films';

/** What one may do in a lesson or course. */
export type Right = 'see' | 'comment' | 'write' | 'record' | 'publish' | 'own';

export type Role = 'owner' | 'presenter' | 'editor' | 'reviewer';

export interface Member {
    id: string;
    name: string;
    email: string;
    role: Role;
    /** Of the course, and so of the lesson. */
    through_course: boolean;
    you: boolean;
}

/** Who takes part in a lesson or course. */
export interface Members {
    may: Right[];
    roles: { role: Role; says: string }[];
    members: Member[];
    invitations: { id: string; role: Role; made_at: string; ends_at: string }[];
}

export interface HistoryEntry {
    id: string;
    who: string;
    deed: string;
    says: string;
    at: string;
}

export interface HistoryPage {
    entries: HistoryEntry[];
    /** There are older ones. */
    more: boolean;
}

/** Somebody else's window that has the lesson open. */
export interface Here {
    name: string;
    /** One's own, in another window. */
    you: boolean;
    room: string;
    section_id: string | null;
    recording: boolean;
}

export interface Notices {
    unread: number;
    /** The newest first. */
    notices: { id: string; says: string; path: string; at: string; read: boolean }[];
}

/** How far the review of a lesson is. */
export interface ReviewState {
    needs_approval: boolean;
    /** What is looked at; null until something is. */
    draft: {
        path: string;
        shown: boolean;
        version: number;
        note: string;
        made_at: string;
        export_id: string;
        /** Sent by whoever asks: somebody else approves it. */
        yours: boolean;
        /** Whoever has the link may watch; otherwise only who takes part and has signed in. */
        open: boolean;
        password: boolean;
        ends_on: string | null;
    } | null;
    /** The film that would be the next draft. */
    newest_film: string | null;
    /** Of the draft. */
    approvals: { id: string; person: string; you: boolean; at: string }[];
    /** The script as it is now. */
    approved: boolean;
    /** What is otherwise in the lesson than in the draft. */
    since: ChangedSince | null;
    open_comments: number;
}

/** Who works here: one person at this machine, or people who sign in. */
export interface Me {
    mode: 'me' | 'people';
    person: { name: string; email: string } | null;
}

/** Other devices that follow one's recording room. */
export interface PairedDevices {
    /** Where they reach this server; null where it was not started for them. */
    address: string | null;
    /** Where they get what they need to trust it, once. */
    trust: string | null;
    /** A code is shown and counts for so many seconds more. */
    shown: { id: string; seconds: number } | null;
    /** Who has typed it and waits for an answer. */
    asks: { id: string; name: string; network: string } | null;
    devices: { id: string; name: string; network: string; paired_at: string; used_at: string }[];
}
