/** Lines that are new on the page. */
import { api } from '../../api/client';
import type { InkStrokeData } from '../../api/generated';
import { randomId } from '../ids';
import { drawInk } from '../ops/ink/drawInk';
import type { PageSession } from '../session';

/** Lines that one op draws. */
const LINES_AT_ONCE = 200;

/** Draws lines that are new; gives back what they are known by. */
export function addLines(session: PageSession, strokes: InkStrokeData[]): string[] {
    const drawn = strokes.map((stroke) => ({ id: randomId(12), stroke }));
    for (let from = 0; from < drawn.length; from += LINES_AT_ONCE)
        session.apply(drawInk({ strokes: drawn.slice(from, from + LINES_AT_ONCE) }));
    return drawn.map(({ id }) => id);
}

/** Draws the lines of an SVG file. */
export async function drawLinesOf(session: PageSession, svg: File): Promise<string[]> {
    const lines = await session.answer(svg.text().then((text) => api.readLines(session.view.id, text)));
    return lines === null ? [] : addLines(session, lines);
}
