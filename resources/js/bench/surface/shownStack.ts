/** What of the page is to be seen: as it is, with something tried, with one pass alone, or as cues would fill it. */
import { alone, buildStack, type Stack } from '../../picture/stack';
import { withTried } from '../../picture/tried';
import { filledAs } from '../../page/records';
import type { BenchModel } from '../model/model';

export function shownStack(bench: BenchModel): Stack {
    const { records, palette } = bench.session.view;
    const { meant, solo, tried } = bench.view;
    const stack = tried === null ? bench.session.view.stack : buildStack(withTried(records, tried), palette);
    const { clear } = bench;
    const single = solo === null ? undefined : records.pass[solo];
    if (solo !== null && single !== undefined) return { ...alone(stack, solo, single.opacity), clear };
    if (meant === null) return { ...stack, clear };
    const filled = buildStack({ ...records, region: filledAs(records.region, meant, palette) }, palette);
    return { ...filled, clear, proposed: new Set(Object.keys(meant).map(Number)) };
}

/** What the ink goes through while other levels of the picked drawing are tried: a new value for each of 256. */
export function triedTable(bench: BenchModel): Uint8Array | null {
    const levels = triedLevels(bench);
    if (levels === null) return null;
    const { paper, ink } = levels;
    return Uint8Array.from({ length: 256 }, (_, value) =>
        Math.max(0, Math.min(255, Math.round((255 * (value - paper)) / (ink - paper)))),
    );
}

function triedLevels(bench: BenchModel): { paper: number; ink: number } | null {
    const { trial } = bench.view;
    const found = bench.ink.drawing?.[1].found;
    if (trial === null || found === undefined || trial.clean.paper === null || trial.clean.ink === null) return null;
    const { paper, ink } = trial.clean;
    return paper === found.paper && ink === found.ink ? null : { paper, ink: Math.max(paper + 1, ink) };
}
