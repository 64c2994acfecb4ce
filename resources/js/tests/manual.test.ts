import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { STAGES } from '../bench/stages/stage';
import { TOOLS } from '../bench/tools/registry';
import { anchorOf, found } from '../ui/manual';

const chapter = (id: string, title: string, sections: [string, string, string][]) => ({
    id,
    title,
    html: '',
    sections: sections.map(([anchor, heading, text]) => ({ id: anchor, title: heading, text })),
});
const LONG = 'Awning measures the levels of the paper '.repeat(6);
const CHAPTERS = [
    chapter('ink', 'Ink', [
        ['', 'Ink', 'Bring in drawings and clean them.'],
        ['pick', 'Pick', `${LONG}and then a gap is closed, ${LONG}`],
    ]),
    chapter('flats', 'Flats', [
        ['', 'Flats', 'Give each region a material.'],
        ['gap', 'Gap', 'A bridge closes it.'],
    ]),
];

describe('the manual', () => {
    it('is found by all words that are wanted, wherever they stand under a heading', () => {
        expect(found(CHAPTERS, 'region material').map(({ place }) => place)).toEqual(['flats']);
        expect(found(CHAPTERS, 'REGION').map(({ place }) => place)).toEqual(['flats']);
        expect(found(CHAPTERS, 'region gap')).toEqual([]);
        expect(found(CHAPTERS, '   ')).toEqual([]);
    });

    it('gives headings first, and names the chapter a heading is of', () => {
        expect(found(CHAPTERS, 'gap').map(({ place, title }) => [place, title])).toEqual([
            ['flats#gap', 'Flats: Gap'],
            ['ink#pick', 'Ink: Pick'],
        ]);
        expect(found(CHAPTERS, 'clean')[0].title).toBe('Ink');
    });

    it('shows whole words about what was found', () => {
        const { around } = found(CHAPTERS, 'closed')[0];
        expect(around).toMatch(
            /^… (Awning|measures|the|levels|of|paper) .*and then a gap is closed, .* (Awning|measures|the|levels|of|paper) …$/,
        );
        expect(around.length).toBeLessThan(160);
        expect(found(CHAPTERS, 'bridge')[0].around).toBe('A bridge closes it.');
    });

    it('has a heading for every tool in the chapter of every stage that offers it', () => {
        for (const { id, tools } of STAGES) {
            const headings = [...readFileSync(`docs/manual/${id}.md`, 'utf8').matchAll(/^## (.+)$/gm)].map(
                ([, heading]) => anchorOf(heading),
            );
            for (const tool of tools)
                expect(headings, `${id}: ${TOOLS[tool].name}`).toContain(anchorOf(TOOLS[tool].name));
        }
    });
});
