/** How a material changes from page to page, as the reader sees it. */
import type { FigureState, PageColoursState, SeenState } from '../api/generated';
import { ciede2000 } from '../picture/difference';
import { toLab } from '../picture/cielab';
import { toColour } from '../picture/colour';

export interface Cell {
    page: PageColoursState;
    seen: SeenState;
    /** CIEDE2000 of its flats against the palette's base. */
    flat: number;
    /** CIEDE2000 of its flats with the light on them against the page before that has it; null on the first. */
    lit: number | null;
    /** CIEDE2000 of what is seen against the page before that has it; null on the first. */
    before: number | null;
}

export interface Row {
    material: number;
    name: string;
    base: string;
    cells: Cell[];
}

export function driftOf(figures: FigureState[], pages: PageColoursState[]): Row[] {
    const rows: Row[] = [];
    for (const figure of figures) {
        for (const { id, name, tones } of figure.materials) {
            const cells: Cell[] = [];
            for (const page of pages) {
                const seen = page.materials[id];
                if (seen === undefined) continue;
                const last = cells.at(-1);
                cells.push({
                    page,
                    seen,
                    flat: between(tones.base, seen.flat),
                    lit: last === undefined ? null : between(last.seen.lit, seen.lit),
                    before: last === undefined ? null : between(last.seen.seen, seen.seen),
                });
            }
            if (cells.length > 0) rows.push({ material: id, name: `${figure.name}, ${name}`, base: tones.base, cells });
        }
    }
    return rows;
}

export interface Worst {
    row: Row;
    cell: Cell;
    amount: number;
}

/** Where a material is furthest from the palette, or from the page before. */
export function worst(rows: Row[], count: number): Worst[] {
    const all = rows.flatMap((row) =>
        row.cells.map((cell) => ({ row, cell, amount: Math.max(cell.flat, cell.before ?? 0) })),
    );
    return all.sort((a, b) => b.amount - a.amount).slice(0, count);
}

const between = (a: string, b: string): number => ciede2000(toLab(toColour(a)), toLab(toColour(b)));

const COLUMNS = [
    'material',
    'page',
    'share',
    'palette',
    'flats',
    'lit',
    'seen',
    'deltaE flats to palette',
    'deltaE lit to page before',
    'deltaE seen to page before',
];

/** RFC 4180; what a spreadsheet would take for a formula gets an apostrophe in front. */
export function csvOf(rows: Row[]): string {
    const lines = rows.flatMap(({ name, base, cells }) =>
        cells.map(({ page, seen, flat, lit, before }) => [
            name,
            String(page.number),
            seen.share.toFixed(4),
            base,
            seen.flat,
            seen.lit,
            seen.seen,
            flat.toFixed(2),
            lit === null ? '' : lit.toFixed(2),
            before === null ? '' : before.toFixed(2),
        ]),
    );
    return [COLUMNS, ...lines].map((line) => line.map(field).join(',') + '\r\n').join('');
}

function field(text: string): string {
    const harmless = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
    return /[",\r\n]/.test(harmless) ? `"${harmless.replaceAll('"', '""')}"` : harmless;
}
