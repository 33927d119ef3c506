import { readFileSync } from 'node:fs';
import { createGenerator } from 'ts-json-schema-generator';
import { expect, test } from 'vitest';

test('the schema that answers are held against is that of the types', () => {
    const made = createGenerator({
        path: 'resources/js/api/types/answers.ts',
        type: 'Answers',
        tsconfig: 'tsconfig.json',
        topRef: false,
        jsDoc: 'none',
    }).createSchema('Answers');
    const kept: unknown = JSON.parse(readFileSync('resources/schemas/answers.json', 'utf8'));
    // Make it again with `npm run schema`.
    expect(JSON.parse(JSON.stringify(made))).toEqual(kept);
}, 60_000);
