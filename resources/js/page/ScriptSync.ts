import { Subscribable } from '../lib/Subscribable';

/** What the server says of a script. */
export interface ServerScript {
    text: string;
    revision: number;
}

/** Words that the server does not have yet, with the revision they were written over. */
export interface Draft {
    text: string;
    revision: number;
}

/** A draft of a window that is gone. */
export interface LeftDraft extends Draft {
    key: string;
}

export interface Conflict {
    mine: string;
    theirs: string;
    revision: number;
}

export interface SyncSnapshot {
    saved: 'saved' | 'saving' | 'unsaved' | 'offline' | 'conflict' | 'refused';
    /** Why the server does not take the text. */
    problem: string | null;
    conflict: Conflict | null;
    /** Whether this browser could keep what is not saved: without room in it, only this window has it. */
    kept: boolean;
}

export interface SyncPorts<Script extends ServerScript> {
    /** Sends the text; throws what `answerOf` understands. */
    save: (text: string, revision: number) => Promise<Script>;
    load: () => Promise<Script>;
    /** The server's word on a failed save; null when it could not be reached. */
    answerOf: (error: unknown) => { status: number; says: string; text?: string; revision?: number } | null;
    drafts: {
        /** Keeps this window's draft in the browser, or forgets it. @returns whether there was room */
        write: (draft: Draft | null) => boolean;
        /** What windows that are gone could not save, the newest first. */
        left: () => Promise<LeftDraft[]>;
        forget: (key: string) => void;
    };
    /** Told of every script that came from the server. */
    onScript: (script: Script) => void;
}

/** The page that shows the text, while one does. */
export interface ScriptPage<Script extends ServerScript> {
    text: () => string;
    /** The text is being sent. */
    sending: () => void;
    /** This came from the server. */
    show: (script: Script) => void;
    /** Words of a window that is gone: put them on the page as one step that can be undone. */
    write: (text: string) => void;
}

const pauseMs = 700;
const retryMs = 3000;
const lookMs = 15_000;
const draftEveryMs = 800;

/**
 * The script of one lesson in this window, and its way to the server. It outlives the page: whatever room is open, words
 * that wait are kept in this browser until the server has them. What was written elsewhere meanwhile is shown beside
 * them, and neither is overwritten.
 */
export class ScriptSync<Script extends ServerScript = ServerScript> extends Subscribable<SyncSnapshot> {
    private held: string;
    private page: ScriptPage<Script> | null = null;
    private timer: ReturnType<typeof setTimeout> | undefined;
    private draftTimer: ReturnType<typeof setTimeout> | undefined;
    private looking: ReturnType<typeof setInterval> | undefined;
    private busy: Promise<void> | null = null;
    private dirty = false;
    /** Words are on their way: whether they arrive is not known. */
    private sending = false;
    private readonly left: LeftDraft[] = [];
    /** The draft of a window that is gone which the conflict is about; null when it is about this window's words. */
    private settling: LeftDraft | null = null;

    constructor(
        private base: Script,
        private readonly ports: SyncPorts<Script>,
    ) {
        super({ saved: 'saved', problem: null, conflict: null, kept: true });
        this.held = base.text;
    }

    /** What the server said last. */
    get script(): Script {
        return this.base;
    }

    /** What is to be seen: the words as typed, also those the server does not have. */
    get text(): string {
        return this.page?.text() ?? this.held;
    }

    get unsaved(): boolean {
        return this.dirty || this.busy !== null || this.snapshot().conflict !== null;
    }

    /** @returns ends the page's part: what it shows is held on here */
    attach(page: ScriptPage<Script>): () => void {
        this.page = page;
        this.looking = setInterval(() => void this.look(), lookMs);
        return () => {
            if (this.page !== page) {
                return;
            }
            clearInterval(this.looking);
            this.held = page.text();
            this.page = null;
            this.keepDraft();
            void this.flush();
        };
    }

    /** The text on the page was changed. */
    changed(): void {
        this.dirty = true;
        this.draftTimer ??= setTimeout(() => this.keepDraft(), draftEveryMs);
        if (this.snapshot().conflict) {
            return;
        }
        if (this.snapshot().saved !== 'unsaved' && this.snapshot().saved !== 'offline') {
            this.set({ saved: 'unsaved', problem: null });
        }
        this.again(pauseMs);
    }

    /** One of the two versions goes on; the page shows it already. */
    resolved(): void {
        const { conflict } = this.snapshot();
        if (!conflict) {
            return;
        }
        this.base = { ...this.base, text: conflict.theirs, revision: conflict.revision };
        this.dirty = true;
        this.set({ saved: 'unsaved', conflict: null });
        this.keepDraft();
        if (this.settling) {
            this.ports.drafts.forget(this.settling.key);
            this.settling = null;
        }
        void this.flush();
    }

    /** Brings everything to the server now. */
    async flush(): Promise<void> {
        clearTimeout(this.timer);
        while (this.busy) {
            await this.busy;
        }
        if (!this.dirty || this.snapshot().conflict) {
            return;
        }
        this.busy = this.send().finally(() => {
            this.busy = null;
        });
        await this.busy;
        this.compare();
    }

    /** Looks whether the script was changed elsewhere, and for words that a window now gone could not save. */
    async look(): Promise<void> {
        if (!this.unsaved) {
            const script = await this.ports.load().catch(() => null);
            if (script && !this.unsaved && script.revision !== this.base.revision) {
                this.adopt(script);
            }
        }
        const left = await this.ports.drafts.left().catch(() => []);
        const known = [this.settling, ...this.left].map((one) => one?.key);
        this.left.push(...left.filter((one) => !known.includes(one.key)));
        this.compare();
    }

    /** Keeps in this browser what the server does not have, or is not known to have: the window may be closed over a save. */
    keepDraft(): void {
        clearTimeout(this.draftTimer);
        this.draftTimer = undefined;
        const draft = this.dirty || this.sending ? { text: this.text, revision: this.base.revision } : null;
        const kept = this.ports.drafts.write(draft);
        if (kept !== this.snapshot().kept) {
            this.set({ kept });
        }
    }

    private adopt(script: Script): void {
        this.base = script;
        if (!this.dirty) {
            this.held = script.text;
        }
        this.ports.onScript(script);
        this.page?.show(script);
    }

    /** Takes up the drafts of windows that are gone: written over this revision, they go on; otherwise both are shown. */
    private compare(): void {
        while (this.left[0] && !this.unsaved) {
            const draft = this.left[0];
            if (draft.text !== this.base.text && draft.revision !== this.base.revision) {
                this.settling = draft;
                this.left.shift();
                this.collide(draft.text, this.base);
                return;
            }
            if (draft.text !== this.base.text) {
                this.held = draft.text;
                this.page?.write(draft.text);
                this.changed();
                this.keepDraft();
            }
            this.left.shift();
            this.ports.drafts.forget(draft.key);
        }
    }

    private collide(mine: string, theirs: ServerScript): void {
        this.set({ saved: 'conflict', conflict: { mine, theirs: theirs.text, revision: theirs.revision } });
    }

    private again(milliseconds: number): void {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.flush(), milliseconds);
    }

    private async send(): Promise<void> {
        const text = this.text;
        this.keepDraft();
        this.dirty = false;
        this.sending = true;
        this.page?.sending();
        this.set({ saved: 'saving' });
        try {
            const script = await this.ports.save(text, this.base.revision);
            this.sending = false;
            this.adopt(script);
            this.keepDraft();
            this.set({ saved: this.dirty ? 'unsaved' : 'saved', problem: null });
        } catch (error) {
            this.sending = false;
            this.dirty = true;
            const answer = this.ports.answerOf(error);
            if (answer?.status === 409 && answer.text !== undefined && answer.revision !== undefined) {
                this.collide(this.text, { text: answer.text, revision: answer.revision });
            } else if (answer && answer.status < 500) {
                this.set({ saved: 'refused', problem: answer.says });
            } else {
                this.set({ saved: 'offline', problem: answer?.says ?? null });
                this.again(retryMs);
            }
        }
    }
}
