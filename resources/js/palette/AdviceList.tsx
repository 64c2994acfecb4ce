/** What is worth a second look in a ramp: a number each, and a mend where there is one. */
import type { AdviceData, ColourSight, MaterialState } from '../api/generated';
import { materialOf, type PaletteDesk } from './usePalette';

const SIGHTS: Record<ColourSight, string> = {
    protan: 'eyes without the red cone',
    deutan: 'eyes without the green cone',
    tritan: 'eyes without the blue cone',
};

const SAID: Record<AdviceData['kind'], (one: AdviceData, other: string) => string> = {
    order: ({ tone, amount }) =>
        `${tone} is out of order: ${amount.toFixed(1)} in L* on the wrong side of its neighbour.`,
    step: ({ tone, amount }) => `${tone} can hardly be told from its neighbour: ΔE ${amount.toFixed(1)}, less than 3.`,
    uneven: ({ tone, amount }) => `The step to ${tone} is ${amount.toFixed(1)} times the smallest one.`,
    grey: ({ tone }) => `${tone} is black or grey, though the base is a colour.`,
    bright: ({ amount }) => `The base is very bright (L* ${amount.toFixed(0)}): no room for light above it.`,
    dark: ({ amount }) => `The base is very dark (L* ${amount.toFixed(0)}): no room for shade below it.`,
    strong: ({ amount }) =>
        `The base is very strong (chroma ${(100 * amount).toFixed(0)}): light cannot make it stronger.`,
    alike: ({ amount }, other) => `Close to ${other}: ΔE ${amount.toFixed(1)}, less than 5.`,
    sight: ({ amount, sight }, other) =>
        `Close to ${other} for ${sight === null ? 'some' : SIGHTS[sight]}: ΔE ${amount.toFixed(1)}.`,
};

export function AdviceList({ desk, material }: { desk: PaletteDesk; material: MaterialState }) {
    const advice = desk.overview?.advice[material.id] ?? [];
    if (advice.length === 0) return null;
    return (
        <section aria-label="Worth a look" className="rule-t pt-3 text-[13px]">
            <h3 className="heading mb-1">Worth a look</h3>
            <ul className="flex flex-col gap-1">
                {advice.map((one) => (
                    <li key={`${one.kind} ${one.tone} ${one.other ?? ''}`} className="flex items-center gap-2">
                        <span className="min-w-0 flex-1">
                            {SAID[one.kind](one, materialOf(desk.figures, one.other ?? undefined)?.name ?? 'another')}
                        </span>
                        <Mend desk={desk} material={material} advice={one} />
                    </li>
                ))}
            </ul>
        </section>
    );
}

function Mend({ desk, material, advice }: { desk: PaletteDesk; material: MaterialState; advice: AdviceData }) {
    if (desk.overview?.mayColour !== true) return null;
    const { mend, tone, release } = advice;
    if (mend !== null)
        return (
            <button className="act narrow" onClick={() => void desk.pin(material, { [tone]: mend })}>
                <span className="h-4 w-6" style={{ background: mend }} />
                Take this
            </button>
        );
    if (release && material.pinned.includes(tone))
        return (
            <button className="act narrow" onClick={() => void desk.pin(material, { [tone]: null })}>
                Derive it
            </button>
        );
    return null;
}
