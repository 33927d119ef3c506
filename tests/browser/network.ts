import { connect, createServer, type Socket } from 'node:net';

/** A network between a browser and the server, which can fall silent: as in sleep, or out of reach of the wireless. */
export interface Network {
    address: string;
    /** What is open says nothing more, and nothing new gets through. */
    fail: () => void;
    mend: () => void;
    close: () => void;
}

export async function networkTo(address: string): Promise<Network> {
    const { hostname, port } = new URL(address);
    const open = new Set<Socket>();
    let fails = false;
    const server = createServer((near) => {
        if (fails) {
            near.pause();
            open.add(near);
            return;
        }
        const far = connect(Number(port), hostname);
        for (const [from, to] of [
            [near, far],
            [far, near],
        ] as const) {
            open.add(from);
            from.on('data', (data) => !fails && to.write(data));
            from.on('close', () => {
                open.delete(from);
                if (!fails) {
                    to.destroy();
                }
            });
            from.on('error', () => from.destroy());
        }
    });
    await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
    const own = server.address();
    return {
        address: `http://127.0.0.1:${own !== null && typeof own === 'object' ? own.port : 0}`,
        fail: () => {
            fails = true;
        },
        mend: () => {
            open.forEach((one) => one.destroy());
            open.clear();
            fails = false;
        },
        close: () => {
            open.forEach((one) => one.destroy());
            server.close();
        },
    };
}
