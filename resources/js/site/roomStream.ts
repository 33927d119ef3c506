/** Rows of JSON that the server sends for as long as one listens; a connection that falls silent is made anew. */

/** The server says something every half second: after so long without, it is away. */
const SILENCE_MS = 1500;

const WAIT_MS = 250;

interface Heard<Row> {
    row: (row: Row) => void;
    /** Whether the server is there, when that changes. */
    there: (is: boolean) => void;
}

export class RoomStream<Row> {
    private current: AbortController | null = null;
    private isThere: boolean | null = null;
    private isOver = false;

    constructor(
        private readonly open: (signal: AbortSignal) => Promise<Response>,
        private readonly heard: Heard<Row>,
    ) {}

    /** Listens until it is stopped. */
    async listen(): Promise<void> {
        while (!this.isOver) {
            await this.once().catch(() => undefined);
            if (!this.isOver) {
                this.tell(false);
                await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
            }
        }
    }

    /** The one it has may be dead without a word: after sleep, on another network. */
    anew(): void {
        this.current?.abort();
    }

    stop(): void {
        this.isOver = true;
        this.current?.abort();
    }

    private async once(): Promise<void> {
        const current = (this.current = new AbortController());
        let silence = setTimeout(() => current.abort(), SILENCE_MS);
        const alive = () => {
            clearTimeout(silence);
            silence = setTimeout(() => current.abort(), SILENCE_MS);
        };
        try {
            const answer = await this.open(current.signal);
            if (!answer.ok || !answer.body) {
                return;
            }
            const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
            let rest = '';
            for (let { done, value } = await reader.read(); !done; { done, value } = await reader.read()) {
                alive();
                this.tell(true);
                const rows = (rest + value).split('\n');
                rest = rows.pop() ?? '';
                for (const row of rows.filter((one) => one !== '')) {
                    this.heard.row(JSON.parse(row) as Row);
                }
            }
        } finally {
            clearTimeout(silence);
        }
    }

    private tell(is: boolean): void {
        if (this.isThere !== is) {
            this.isThere = is;
            this.heard.there(is);
        }
    }
}
