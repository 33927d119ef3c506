/** Words that the server does not have yet, kept in this browser. */
export function scriptDrafts(lessonId: string) {
    const key = `reel.script.${lessonId}`;
    return {
        read(): { text: string; revision: number } | null {
            try {
                return JSON.parse(localStorage.getItem(key) ?? 'null') as { text: string; revision: number } | null;
            } catch {
                return null;
            }
        },
        write(draft: { text: string; revision: number } | null): void {
            try {
                if (draft) {
                    localStorage.setItem(key, JSON.stringify(draft));
                } else {
                    localStorage.removeItem(key);
                }
            } catch {
                // Without room in the browser the text still goes to the server.
            }
        },
    };
}
