const gestures = ['pointerdown', 'keydown'] as const;

/**
 * Browsers keep sound asleep on a page that nobody has touched yet: a context is woken at the first click or key, and whenever it
 * falls asleep again.
 *
 * @param mayWake false while it sleeps on purpose
 * @returns a way to let go of it
 */
export function keepAwake(context: AudioContext, mayWake: () => boolean = () => true): () => void {
    const wake = () => {
        if (context.state === 'suspended' && mayWake()) {
            void context.resume().catch(() => undefined);
        }
    };
    gestures.forEach((gesture) => globalThis.addEventListener?.(gesture, wake, { capture: true }));
    wake();
    return () => gestures.forEach((gesture) => globalThis.removeEventListener?.(gesture, wake, { capture: true }));
}

/**
 * Whether a context runs, soon: where there is no sound output it never does, and says nothing.
 *
 * @param milliseconds how long one waits for it
 */
export async function runsSoon(context: AudioContext, milliseconds: number): Promise<boolean> {
    await Promise.race([
        context.resume().catch(() => undefined),
        new Promise((resolve) => setTimeout(resolve, milliseconds)),
    ]);
    return context.state === 'running';
}
