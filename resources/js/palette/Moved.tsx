/** Tones that differ, before and after, the furthest first. */
import type { MovedTone } from '../api/generated';

/** So many are shown at once. */
const SHOWN = 12;

export function Moved({ moved }: { moved: MovedTone[] }) {
    return (
        <ul className="text-[13px]">
            {moved.slice(0, SHOWN).map((one) => (
                <li key={`${one.material} ${one.tone}`} className="flex items-center gap-2 py-0.5">
                    <span className="min-w-0 flex-1 truncate">
                        {one.name}, {one.tone}
                    </span>
                    <span className="figures quiet">ΔE {one.deltaE.toFixed(1)}</span>
                    <span className="h-5 w-10" title={one.before} style={{ background: one.before }} />
                    <span className="-ml-2 h-5 w-10" title={one.after} style={{ background: one.after }} />
                </li>
            ))}
        </ul>
    );
}
