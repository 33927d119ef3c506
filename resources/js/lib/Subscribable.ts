/** Something with a current value that others want to hear about. */
export class Subscribable<Snapshot> {
    private readonly listeners = new Set<() => void>();

    constructor(private value: Snapshot) {}

    readonly subscribe = (listener: () => void): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    readonly snapshot = (): Snapshot => this.value;

    protected set(change: Partial<Snapshot>): void {
        this.value = { ...this.value, ...change };
        this.listeners.forEach((listener) => listener());
    }
}
