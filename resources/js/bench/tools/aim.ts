/** Where paint goes that the hand lays, and how; every tool of the Light stage asks here. */
import type { LaidPaint, NewPass } from '../../api/client';
import { mayColour, sizeOf, whyNot } from '../../page/store';
import { passFor } from '../../page/target';
import { toColour } from '../../picture/colour';
import { passKindOf } from '../../picture/passKinds/registry';
import { isMask, layerOf } from '../../picture/stack';
import type { Tone } from '../../api/generated';
import type { Laying } from '../../picture/stroke';
import type { BenchModel } from '../model/model';
import type { Spot } from '../model/lines';
import type { ToolHost, ToolPoint } from './tool';

export interface Aim {
    pass: string;
    make: NewPass | null;
    layer: string;
    /** Planes of the layer: coverage, or colours and alpha. */
    bytesPerPixel: 1 | 4;
    /** As it is sent; a pass that holds coverage has no use for it. */
    colour: string | null;
    laying: Laying;
    /** Regions it is kept inside of; none: wherever the pass's clip lets it. */
    inside: number[];
}

/**
 * @param tone instead of the picked one
 * @return null when there is nothing to aim at; then it was said why
 */
export function aimAt(host: ToolHost, start: Spot, erase: boolean, tone: Tone | null = null): Aim | null {
    const aim = aimOf(host.bench, erase, tone);
    if (typeof aim === 'string') {
        host.bench.session.say(aim);
        return null;
    }
    const label = host.bench.view.isWithin ? host.labelAt(start.x, start.y) : 0;
    return { ...aim, inside: label === 0 ? [] : [label] };
}

/** @return what to say when there is nothing to aim at */
function aimOf(
    { session, target: picked, paint: { brush } }: BenchModel,
    erase: boolean,
    tone: Tone | null,
): Aim | string {
    const { view } = session;
    if (!mayColour(view)) return whyNot(view, 'colour');
    if (sizeOf(view) === null) return 'The page has no line art yet. Go to Ink and import a scan.';
    if (picked === null) return 'Pick a tone at the left first; it says where the paint goes.';
    const target = tone === null ? picked : { ...picked, tone };
    const { id, make } = passFor(view.rules, view.records, target);
    const pass = make ?? view.records.pass[id];
    if (make === null && !pass.visible && !isMask(view.records.pass, id))
        return 'This pass is rolled up. Let it down in the panel at the right, then paint.';
    if (passKindOf(pass.content).holds === null)
        return `${pass.name} fills all it reaches; nothing is painted in it. Paint its mask, or pick another pass.`;
    const colour = pass.content.kind === 'paint' ? target.material.tones[target.tone] : null;
    const number = toColour(colour ?? '#000000');
    const paint: Laying['paint'] = colour === null ? null : [(number >> 16) & 255, (number >> 8) & 255, number & 255];
    const laying = { opacity: brush.opacity, erase, paint };
    return {
        pass: id,
        make,
        layer: layerOf(id, pass),
        bytesPerPixel: paint === null ? 1 : 4,
        colour,
        laying,
        inside: [],
    };
}

/** As ops are told it. */
export const laidAs = ({ pass, make, colour, laying, inside }: Aim): LaidPaint => ({
    pass,
    make,
    colour,
    erase: laying.erase,
    opacity: laying.opacity,
    inside,
});

/** The pass that is there to be worked on: nothing new is made for that. Null when there is none; then it was said. */
export function passAt(host: ToolHost, start: ToolPoint): Aim | null {
    const aim = aimAt(host, start, false);
    if (aim === null || aim.make === null) return aim;
    host.bench.session.say('There is no paint in this pass yet. Paint first, or pick a pass at the right.');
    return null;
}
