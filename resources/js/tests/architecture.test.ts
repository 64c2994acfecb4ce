import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = 'resources/js';

/**
 * Room => the rooms it may know, as docs/architecture.md says. Longest name first: a file's room is the first that
 * fits.
 */
function allowed(): Map<string, string[]> {
    const text = readFileSync('docs/architecture.md', 'utf8');
    const block = /<!-- browser rooms -->\s*```\n([\s\S]*?)```/.exec(text)?.[1] ?? '';
    const rows = block
        .trim()
        .split('\n')
        .map((line) => line.split('→').map((part) => part.trim()));
    return new Map(rows.map(([room, knows]) => [room, knows === '' ? [] : knows.split(/\s+/)]));
}

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.tsx?$/.test(file) && !file.startsWith('tests'),
);

describe('rooms of the browser’s part', () => {
    const rooms = allowed();
    const names = [...rooms.keys()].sort((a, b) => b.length - a.length);
    const roomOf = (file: string): string => names.find((room) => file === room || file.startsWith(`${room}/`)) ?? '';

    it('are all in the picture', () => {
        expect(rooms.size).toBeGreaterThan(8);
        for (const file of files)
            expect(
                roomOf(file) || file.replace(/^(App|main)\.tsx$/, ''),
                `${file} is in no room of docs/architecture.md`,
            ).not.toBe(file);
        for (const room of names)
            expect(
                files.some((file) => roomOf(file) === room),
                `${room} is in the picture, and empty`,
            ).toBe(true);
    });
    it('know only whom the picture lets them know', () => {
        let seen = 0;
        for (const file of files) {
            const room = roomOf(file);
            if (room === '') continue;
            for (const [, from] of readFileSync(join(ROOT, file), 'utf8').matchAll(/(?:from|import\() ?'(\.[^']+)'/g)) {
                const target =
                    roomOf(relative(ROOT, join(ROOT, dirname(file), from)).replace(/(?<!\.tsx?)$/, '.ts')) ||
                    roomOf(relative(ROOT, join(ROOT, dirname(file), from)));
                if (target === room) continue;
                expect(rooms.get(room), `${file} knows ${target} (${from})`).toContain(target);
                seen++;
            }
        }
        expect(seen).toBeGreaterThan(60);
    });
    it('keep React out of page and picture', () => {
        for (const file of files.filter((one) => /^(page|picture|api)\//.test(one))) {
            expect(readFileSync(join(ROOT, file), 'utf8'), file).not.toMatch(/from '(react|react-dom|zustand)'/);
        }
    });
});
