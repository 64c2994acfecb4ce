/**
 * In a corner over the page while painting: the picked material under the page's light, or a study somebody painted.
 */
import { api } from '../api/client';
import { usePictures } from '../board/usePictures';
import { Maquette } from '../ui/Maquette';
import { NamedOptions } from '../ui/NamedOptions';
import { useBench, useBenchModel, usePage, useTarget } from './model/context';
import { AT_FIRST, directionOf, planOf } from './model/keyLight';
import { COMPUTED } from './model/paintModel';

/** Px that a study takes at the most, in height. */
const STUDY = 160;

export function PinnedMaquette() {
    const pinned = useBench((view) => view.maquette);
    return pinned === null ? null : <Pinned pinned={pinned} />;
}

function Pinned({ pinned }: { pinned: number }) {
    const bench = useBenchModel();
    const series = usePage((view) => view.series.id);
    const page = usePage((view) => view.id);
    const { all } = usePictures(series, page);
    const studies = (all ?? []).filter(({ width }) => width !== null);
    const study = studies.find(({ id }) => id === pinned);
    return (
        <aside
            aria-label="Maquette"
            className="absolute right-3 top-12 z-10 flex flex-col gap-1.5 border border-base-content/40 bg-base-100 p-1.5"
        >
            <div className="flex items-center gap-2">
                <select
                    className="field min-w-0 flex-1 text-[13px]"
                    aria-label="What is pinned"
                    value={study === undefined ? COMPUTED : pinned}
                    onChange={(event) => bench.set({ maquette: Number(event.target.value) })}
                >
                    <option value={COMPUTED}>the picked material</option>
                    <NamedOptions of={studies} />
                </select>
                <button
                    className="bare"
                    aria-label="Take the maquette down"
                    onClick={() => bench.set({ maquette: null })}
                >
                    ×
                </button>
            </div>
            {study === undefined ? (
                <InTheLight />
            ) : (
                <img
                    className="w-[226px] object-contain"
                    style={{ maxHeight: STUDY }}
                    src={api.pictureUrl(series, study.id)}
                    alt={study.name}
                />
            )}
        </aside>
    );
}

/** The picked material as the page's light falls on it. */
function InTheLight() {
    const target = useTarget();
    const plan = usePage(({ palette }) => planOf(palette)?.plan ?? AT_FIRST);
    if (target === null)
        return <p className="quiet w-[226px] text-[13px]">Pick a tone at the left: its material stands here.</p>;
    return <Maquette tones={target.material.tones} light={directionOf(plan)} dials={plan.dials} />;
}
