/**
 * Where the flats of the picked figure lie between black and white, against all others: figure and ground want apart.
 * In the Mood stage they are taken as the mood shows them, so that it does not drown the figure.
 */
import { useMemo } from 'react';
import { seenFlats } from '../../../picture/seenFlats';
import { figuresOf } from '../../../picture/values';
import { usePage, useTarget } from '../../model/context';

const WIDTH = 260;
/** L* between the means below which figure and ground are too near (our choice). */
const NEAR = 8;

export function ValueBar({ isInMood = false }: { isInMood?: boolean }) {
    const regions = usePage((view) => view.records.region);
    const stack = usePage((view) => view.stack);
    const seen = useMemo(() => (isInMood ? seenFlats(stack, regions) : null), [isInMood, stack, regions]);
    const target = useTarget();
    const figure = target?.material.figure ?? null;
    const { ours, others } = figuresOf(
        regions,
        stack.flats,
        figure,
        (label, flat) => seen?.get(label) ?? flat.tones.base,
    );
    if (ours.length === 0 && others.length === 0) return null;
    return (
        <figure className="flex flex-col gap-1 py-1 text-[13px]">
            <svg
                viewBox={`0 0 ${WIDTH} 34`}
                className="w-full"
                role="img"
                aria-label={words(ours, others, target?.figureName ?? null)}
            >
                <Row values={ours} y={1} />
                <Row values={others} y={18} />
            </svg>
            <figcaption className="quiet">{words(ours, others, target?.figureName ?? null)}</figcaption>
        </figure>
    );
}

interface Value {
    lightness: number;
    area: number;
}

/** A material's flats as a bar at its lightness, as tall as its share. */
function Row({ values, y }: { values: Value[]; y: number }) {
    const most = Math.max(1, ...values.map(({ area }) => area));
    return (
        <g>
            <rect x={0} y={y} width={WIDTH} height={15} className="fill-base-200" />
            {values.map(({ lightness, area }, i) => {
                const height = Math.max(3, 15 * Math.sqrt(area / most));
                return (
                    <rect
                        key={i}
                        x={(lightness / 100) * WIDTH - 1.5}
                        y={y + 15 - height}
                        width={3}
                        height={height}
                        className="fill-base-content"
                    />
                );
            })}
        </g>
    );
}

function mean(values: Value[]): number | null {
    const area = values.reduce((sum, value) => sum + value.area, 0);
    return area === 0 ? null : values.reduce((sum, value) => sum + value.lightness * value.area, 0) / area;
}

function words(ours: Value[], others: Value[], name: string | null): string {
    const [own, rest] = [mean(ours), mean(others)];
    if (own === null)
        return `Lightness of all flats: L* ${Math.round(rest ?? 0)} on average. Pick a figure to compare.`;
    if (rest === null) return `${name}: L* ${Math.round(own)} on average; nothing else is filled yet.`;
    const apart = Math.round(Math.abs(own - rest));
    const how = apart < NEAR ? 'too near to stand out' : own > rest ? 'lighter' : 'darker';
    return `${name} (above): L* ${Math.round(own)}, all else: ${Math.round(rest)}. ${apart} apart, ${how}.`;
}
