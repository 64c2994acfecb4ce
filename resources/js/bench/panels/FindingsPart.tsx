/** What is odd about the flats, each with a place, and a mend where there is one. */
import { useEffect } from 'react';
import type { FindingData, FindingKind } from '../../api/generated';
import { mayFlat } from '../../page/store';
import { Fold } from '../../ui/Fold';
import { useBench, useBenchModel, usePage, useSession } from '../model/context';
import { PlacePicture } from './PlacePicture';
import { absorbRegions } from '../../page/ops/flats/absorbRegions';
import { absorbStrays } from '../../page/ops/flats/absorbStrays';
import { api } from '../../api/client';

/** Milliseconds without a change before it is looked again. */
const CALM = 1500;
/** Of each kind. */
const SHOWN = 5;

const KINDS: Record<FindingKind, { title: string; one: (finding: FindingData) => string }> = {
    alike: { title: 'Neighbours that look alike', one: ({ amount }) => `ΔE ${amount.toFixed(1)} between them` },
    alone: { title: 'Isolated regions', one: ({ amount }) => `${amount.toLocaleString('en')} px` },
    spill: { title: 'Flats beyond their line', one: ({ amount }) => `${amount} px in another's room` },
    stray: { title: 'Stray pixels', one: ({ amount }) => `${amount} px apart from their region` },
    crumb: { title: 'The smallest regions', one: ({ amount }) => `${amount} px` },
};

/** Keeps the bench's findings up to date while the stage that shows them is open. */
export function useFindings(): FindingData[] | null {
    const bench = useBenchModel();
    const session = useSession();
    const revision = usePage((view) => view.revision);
    const palette = usePage((view) => view.palette.version);
    const findings = useBench((view) => view.findings);
    useEffect(() => {
        const timer = setTimeout(
            () => void session.answer(api.findings(session.view.id)).then((found) => found !== null && bench.set({ findings: found })),
            CALM,
        );
        return () => clearTimeout(timer);
    }, [bench, session, revision, palette]);
    return findings;
}

export function FindingsPart() {
    const findings = useFindings();
    return (
        <Fold title="Worth a look" tells={findings === null ? '…' : String(findings.length)}>
            {findings === null && <p className="quiet">Looking …</p>}
            {findings?.length === 0 && <p>Nothing is odd about the flats.</p>}
            {(Object.keys(KINDS) as FindingKind[]).map((kind) => (
                <Kind key={kind} kind={kind} findings={findings?.filter((finding) => finding.kind === kind) ?? []} />
            ))}
        </Fold>
    );
}

function Kind({ kind, findings }: { kind: FindingKind; findings: FindingData[] }) {
    const bench = useBenchModel();
    if (findings.length === 0) return null;
    const show = ({ labels, x, y }: FindingData): void => {
        bench.surface?.goTo(x, y);
        bench.set({ chosen: labels });
    };
    return (
        <div className="flex flex-col gap-1">
            <p className="flex items-center justify-between gap-2">
                {KINDS[kind].title}: {findings.length}
                <Mend kind={kind} findings={findings} />
            </p>
            <ul>
                {findings.slice(0, SHOWN).map((finding) => (
                    <li key={`${finding.labels.join(' ')} ${finding.x} ${finding.y}`} className="flex items-center gap-2 py-0.5">
                        <PlacePicture x={finding.x} y={finding.y} />
                        <span className="figures quiet min-w-0 flex-1">{KINDS[kind].one(finding)}</span>
                        <button className="act" aria-label={`Show ${kind} at ${finding.x}, ${finding.y}`} onClick={() => show(finding)}>
                            Show
                        </button>
                    </li>
                ))}
            </ul>
        </div>
    );
}

/** One click for all of a kind. */
function Mend({ kind, findings }: { kind: FindingKind; findings: FindingData[] }) {
    const session = useSession();
    const isBlocked = usePage((view) => !mayFlat(view));
    if (kind === 'crumb')
        return (
            <button
                className="act"
                disabled={isBlocked}
                title="Each joins the neighbour it is least parted from"
                onClick={() => session.apply(absorbRegions({ labels: findings.flatMap(({ labels }) => labels) }))}
            >
                Give all to neighbours
            </button>
        );
    if (kind === 'stray')
        return (
            <button
                className="act"
                disabled={isBlocked}
                onClick={() => session.apply(absorbStrays({ places: findings.map(({ x, y }) => [x, y]) }))}
            >
                Give them away
            </button>
        );
    return null;
}
