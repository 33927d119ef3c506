import { Subscribable } from '../lib/Subscribable';
import { changesSeen, sawChanges } from './changes';
import type { Here } from './types';

const everyMs = 1500;

interface Place {
    room: string;
    section: string | null;
    recording: boolean;
}

interface Ports {
    say: (lessonId: string, place: Place) => Promise<{ others: Here[]; changes: number }>;
    leave: (lessonId: string) => void;
    /** Others changed something: what is shown is read anew. */
    changed: (lessonId: string) => void;
}

/**
 * Says where this window is, and hears who else is in the lesson and whether they changed anything. Whoever records is not
 * disturbed: what others did meanwhile comes when the take is over.
 */
export class Presence extends Subscribable<{ others: Here[] }> {
    private lessonId: string | null = null;
    private place: Place = { room: 'script', section: null, recording: false };
    private timer: ReturnType<typeof setTimeout> | undefined;

    constructor(private readonly ports: Ports) {
        super({ others: [] });
    }

    /** @returns ends it */
    enter(lessonId: string): () => void {
        this.lessonId = lessonId;
        this.again(0);
        return () => {
            clearTimeout(this.timer);
            this.lessonId = null;
            this.set({ others: [] });
            this.ports.leave(lessonId);
        };
    }

    move(room: string, section: string | null): void {
        if (room !== this.place.room || section !== this.place.section) {
            this.place = { ...this.place, room, section };
            this.again(0);
        }
    }

    /** A section is claimed while it is recorded. */
    records(recording: boolean): void {
        if (recording !== this.place.recording) {
            this.place = { ...this.place, recording };
            this.again(0);
        }
    }

    private again(afterMs: number): void {
        clearTimeout(this.timer);
        if (this.lessonId !== null) {
            this.timer = setTimeout(() => void this.look(), afterMs);
        }
    }

    private async look(): Promise<void> {
        const id = this.lessonId;
        if (id === null) {
            return;
        }
        const now = await this.ports.say(id, this.place).catch(() => null);
        if (this.lessonId !== id) {
            return;
        }
        if (now) {
            if (JSON.stringify(now.others) !== JSON.stringify(this.snapshot().others)) {
                this.set({ others: now.others });
            }
            this.hear(id, now.changes);
        }
        this.again(everyMs);
    }

    private hear(id: string, changes: number): void {
        const known = changesSeen(id);
        if (known === undefined) {
            sawChanges(id, changes);
        } else if (changes > known && !this.place.recording) {
            sawChanges(id, changes);
            this.ports.changed(id);
        }
    }
}
