import { scriptDrafts } from './scriptDrafts';
import { ScriptSync } from './ScriptSync';
import { ApiProblem, api } from '../api/client';
import { refreshLesson } from '../api/queries';
import type { ScriptText } from '../api/types';

/** So long the page waits for news of the script before it shows what is known. */
const newsMs = 1500;

const open = new Map<string, ScriptSync<ScriptText>>();
const opening = new Map<string, Promise<ScriptSync<ScriptText>>>();

/**
 * The script of a lesson in this window: the one from the last visit to its page, brought up to date when the server can
 * be reached.
 *
 * @throws ApiProblem | Unreachable when it has not been read yet and cannot be read now
 */
export async function openScript(lessonId: string): Promise<ScriptSync<ScriptText>> {
    const known = open.get(lessonId);
    if (known) {
        await Promise.race([known.look(), new Promise((resolve) => setTimeout(resolve, newsMs))]);
        return known;
    }
    const reading = opening.get(lessonId) ?? read(lessonId).finally(() => opening.delete(lessonId));
    opening.set(lessonId, reading);
    return reading;
}

async function read(lessonId: string): Promise<ScriptSync<ScriptText>> {
    const path = `lessons/${lessonId}/script`;
    const script = await api.get<ScriptText>(path);
    const sync = new ScriptSync<ScriptText>(script, {
        save: (text, revision) => api.put<ScriptText>(path, { text, revision }),
        load: () => api.get<ScriptText>(path),
        answerOf: (error) =>
            error instanceof ApiProblem
                ? {
                      status: error.status,
                      says: error.message,
                      text: error.body.text as string | undefined,
                      revision: error.body.revision as number | undefined,
                  }
                : null,
        drafts: scriptDrafts(lessonId),
        onScript: () => void refreshLesson(lessonId),
    });
    open.set(lessonId, sync);
    return sync;
}

/** The script of a lesson, when it has been read in this window. */
export const knownScript = (lessonId: string): ScriptSync<ScriptText> | undefined => open.get(lessonId);

window.addEventListener('beforeunload', (event) => {
    for (const sync of open.values()) {
        sync.keepDraft();
        if (sync.unsaved) {
            void sync.flush();
            event.preventDefault();
        }
    }
});
const bring = () => open.forEach((sync) => void sync.flush().then(() => sync.look()));
window.addEventListener('online', bring);
window.addEventListener('pagehide', () => open.forEach((sync) => sync.keepDraft()));
