import { Subscribable } from '../ui/Subscribable';

/** What the server says of a script. */
export interface ServerScript {
    text: string;
    revision: number;
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
}

export interface SyncPorts<Script extends ServerScript> {
    /** Sends the text; throws what `answerOf` understands. */
    save: (text: string, revision: number) => Promise<Script>;
    load: () => Promise<Script>;
    /** The server's word on a failed save; null when it could not be reached. */
    answerOf: (error: unknown) => { status: number; says: string; text?: string; revision?: number } | null;
    /** Kept in this browser until the server has it. */
    drafts: {
        read: () => { text: string; revision: number } | null;
        write: (draft: { text: string; revision: number } | null) => void;
    };
    /** Told of every script that came from the server. */
    onScript: (script: Script) => void;
}

const pauseMs = 700;
const retryMs = 3000;
const lookMs = 15_000;

/**
 * Keeps the text on the page and the text on the server the same. Every word is kept in this browser until the server
 * has it; whatever was written elsewhere meanwhile is shown beside it and never overwritten.
 */
export class ScriptSync<Script extends ServerScript = ServerScript> extends Subscribable<SyncSnapshot> {
    private base: ServerScript;
    private current: () => string;
    private timer: ReturnType<typeof setTimeout> | undefined;
    private readonly looking: ReturnType<typeof setInterval>;
    private busy: Promise<void> | null = null;
    private dirty = false;

    /** @param  current  the text on the page */
    constructor(
        script: Script,
        private readonly ports: SyncPorts<Script>,
        current: () => string,
    ) {
        super({ saved: 'saved', problem: null, conflict: null });
        this.base = script;
        this.current = current;
        this.looking = setInterval(() => void this.look(), lookMs);
    }

    /** What to start with: words that an earlier visit could not bring to the server, if there are any. */
    static opening(
        script: ServerScript,
        draft: { text: string; revision: number } | null,
    ): { text: string; unsaved: boolean; conflict: boolean } {
        if (!draft || draft.text === script.text) {
            return { text: script.text, unsaved: false, conflict: false };
        }
        return draft.revision === script.revision
            ? { text: draft.text, unsaved: true, conflict: false }
            : { text: script.text, unsaved: false, conflict: true };
    }

    get revision(): number {
        return this.base.revision;
    }

    /** The text on the page was changed. */
    changed(): void {
        this.dirty = true;
        if (this.snapshot().conflict) {
            return;
        }
        if (this.snapshot().saved !== 'unsaved' && this.snapshot().saved !== 'offline') {
            this.set({ saved: 'unsaved', problem: null });
        }
        this.again(pauseMs);
    }

    /** Shows both versions: what is on the page, and what the server has. */
    collide(mine: string, theirs: ServerScript): void {
        this.set({ saved: 'conflict', conflict: { mine, theirs: theirs.text, revision: theirs.revision } });
    }

    /** One of the two versions goes on; the page shows it already. */
    resolved(): void {
        const { conflict } = this.snapshot();
        if (conflict) {
            this.base = { text: conflict.theirs, revision: conflict.revision };
        }
        this.dirty = true;
        this.set({ saved: 'unsaved', conflict: null });
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
    }

    /** Looks whether the script was changed elsewhere; takes it over when nothing here waits to be saved. */
    async look(): Promise<void> {
        if (this.dirty || this.busy || this.snapshot().conflict) {
            return;
        }
        const script = await this.ports.load().catch(() => null);
        if (script && !this.dirty && !this.busy && script.revision !== this.base.revision) {
            this.base = script;
            this.ports.onScript(script);
        }
    }

    /** Something else has brought a new script from the server. */
    adopt(script: Script): void {
        this.base = script;
        this.ports.onScript(script);
    }

    /** Keeps what is unsaved in this browser. */
    keepDraft(): void {
        this.ports.drafts.write(this.dirty ? { text: this.current(), revision: this.base.revision } : null);
    }

    close(): void {
        clearTimeout(this.timer);
        clearInterval(this.looking);
        this.keepDraft();
        void this.flush();
    }

    private again(milliseconds: number): void {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.flush(), milliseconds);
    }

    private async send(): Promise<void> {
        const text = this.current();
        this.dirty = false;
        this.ports.drafts.write({ text, revision: this.base.revision });
        this.set({ saved: 'saving' });
        try {
            const script = await this.ports.save(text, this.base.revision);
            this.base = script;
            if (!this.dirty) {
                this.ports.drafts.write(null);
            }
            this.set({ saved: this.dirty ? 'unsaved' : 'saved', problem: null });
            this.ports.onScript(script);
        } catch (error) {
            this.dirty = true;
            const answer = this.ports.answerOf(error);
            if (answer?.status === 409 && answer.text !== undefined && answer.revision !== undefined) {
                this.collide(this.current(), { text: answer.text, revision: answer.revision });
            } else if (answer && answer.status < 500) {
                this.set({ saved: 'refused', problem: answer.says });
            } else {
                this.set({ saved: 'offline', problem: answer?.says ?? null });
                this.again(retryMs);
            }
        }
    }
}
