import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, normalize, relative } from 'node:path';
import { describe, expect, it } from 'vitest';

/** The order in which folders stand, the lowest first, as docs/architecture.md has it. */
function documented(): string[] {
    const page = readFileSync('docs/architecture.md', 'utf8');
    const row = /^ {4}resources\/js\/: +(.+(?:\n {5,}\S.*)*)/m.exec(page)?.[1];
    if (!row) {
        throw new Error('docs/architecture.md does not say in which order the folders of resources/js stand.');
    }
    return row.trim().split(/[\s<]+/);
}

const sources = (root: string): string[] =>
    readdirSync(root, { recursive: true, encoding: 'utf8' })
        .filter((file) => /\.tsx?$/.test(file))
        .sort();

const folder = (file: string) => file.split('/')[0]!;
const room = (file: string) => (folder(file) === 'rooms' ? file.split('/')[1] : undefined);

function imported(root: string, file: string): string[] {
    const code = readFileSync(join(root, file), 'utf8');
    return [...code.matchAll(/(?:from|import)\s*\(?\s*['"](\.[^'"]+)['"]/g)]
        .map((m) => normalize(join(dirname(join(root, file)), m[1]!)))
        .map((path) => ['', '.ts', '.tsx'].map((end) => path + end).find((p) => existsSync(p) && /\.tsx?$/.test(p)))
        .filter((path) => path !== undefined)
        .map((path) => relative(root, path));
}

/** Each as `the file that uses -> the file used`: a folder uses those before it, a room no other room. */
function violations(root: string, order: string[]): string[] {
    return sources(root).flatMap((file) =>
        imported(root, file)
            .filter((used) => !used.startsWith('..'))
            .filter((used) =>
                folder(file) === folder(used)
                    ? room(file) !== room(used)
                    : order.indexOf(folder(used)) >= order.indexOf(folder(file)),
            )
            .map((used) => `${file} -> ${used}`),
    );
}

describe('folders of resources/js', () => {
    it('use only what stands below them', () => {
        const there = [...new Set(sources('resources/js').map(folder))].sort();
        expect(there).toEqual([...documented()].sort());
        expect(violations('resources/js', documented())).toEqual([]);
    });

    it('are told with both files where one uses what stands above', () => {
        const root = mkdtempSync(join(tmpdir(), 'folder-order-'));
        const files: Record<string, string> = {
            'lib/time.ts': "import { Room } from '../rooms/one/Room';",
            'rooms/one/Room.tsx':
                "import { clock } from '../../lib/time';\nconst Other = () => import('../two/Other');",
            'rooms/two/Other.tsx': "import { helper } from './helper';",
            'rooms/two/helper.ts': '',
        };
        for (const [file, code] of Object.entries(files)) {
            mkdirSync(dirname(join(root, file)), { recursive: true });
            writeFileSync(join(root, file), code);
        }
        expect(violations(root, ['lib', 'rooms'])).toEqual([
            'lib/time.ts -> rooms/one/Room.tsx',
            'rooms/one/Room.tsx -> rooms/two/Other.tsx',
        ]);
        rmSync(root, { recursive: true });
    });
});
