// The course site.
import type { WorkState } from './films';

/** What somebody says of a published film. */
export interface SiteSaying {
    id: string;
    name: string;
    by_presenter: boolean;
    text: string;
    said_at: string;
}

export interface SiteComment extends SiteSaying {
    at_ms: number;
    version: number;
    section_id: string | null;
    /** Null when nobody says the line any more. */
    line_id: string | null;
    line_was: string;
    line_now: string | null;
    done: boolean;
    /** The version in which it is put right. */
    done_in: number | null;
    /** Of a draft for review; else of what is published. */
    of_draft: boolean;
    hidden: boolean;
    answers: (SiteSaying & { hidden: boolean })[];
}

/** A lesson on the course site; `site` is null until it is published. */
export interface LessonSite {
    site: {
        id: string;
        path: string;
        shown: boolean;
        withdrawn: boolean;
        /** The last day on which it is shown. */
        ends_on: string | null;
        password: boolean;
        /** The newest first. */
        versions: { number: number; export_id: string; note: string; draft: boolean; published_at: string }[];
        /** How much of each chapter of the newest was seen, 0..1; empty until somebody has watched. */
        watched: { title: string; seen: number }[];
    } | null;
    comments: SiteComment[];
    /** Comments that came all at once and wait until somebody has looked. */
    held: number;
}

/** A lesson in the folder of a course site that is not ours; `folder` is null where none is set up. */
export interface SiteDelivery {
    folder: string | null;
    /** The version that viewers see; `url` where it is known. */
    there: { export_id: string | null; number: number; path: string; url: string | null; sent_at: string } | null;
    /** The latest try, finished or not. */
    last: {
        id: string;
        export_id: string | null;
        state: WorkState;
        /** Bytes. */
        done: number;
        total: number;
        problem: string | null;
        /** At the pace so far; null while that is not known. */
        seconds_left: number | null;
    } | null;
}
