/**
 * What is worth a look, each with a place, and a mend where there is one; what there is to say of it the server says.
 */
import { useEffect } from 'react';
import { api } from '../../../api/client';
import type { FinderStage, FindingData, FindingsData, MendData } from '../../../api/generated';
import type { Op } from '../../../page/ops/registry';
import { mayFlat } from '../../../page/store';
import { Fold } from '../../../ui/Fold';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { PlacePicture } from './PlacePicture';

/** Milliseconds without a change before it is looked again. */
const CALM = 1500;
/** Of each kind. */
const SHOWN = 5;

/** Keeps the bench's findings up to date while the stage that shows them is open. */
export function useFindings(): FindingsData[] | null {
    const bench = useBenchModel();
    const session = useSession();
    const revision = usePage((view) => view.revision);
    const palette = usePage((view) => view.palette.version);
    const findings = useBench((view) => view.findings);
    useEffect(() => {
        const timer = setTimeout(
            () =>
                void session
                    .answer(api.findings(session.view.id))
                    .then((found) => found !== null && bench.set({ findings: found })),
            CALM,
        );
        return () => clearTimeout(timer);
    }, [bench, session, revision, palette]);
    return findings;
}

/** Those that a stage shows. */
export function FindingsPart({ stage }: { stage: FinderStage }) {
    const findings = useFindings()?.filter((one) => one.stage === stage) ?? null;
    const count = findings?.reduce((sum, one) => sum + one.count, 0);
    return (
        <Fold title="Worth a look" help="flats#worth-a-look" tells={count === undefined ? '…' : String(count)}>
            <FindingsList findings={findings} nothing="Nothing is odd about the flats." />
        </Fold>
    );
}

export function FindingsList({ findings, nothing }: { findings: FindingsData[] | null; nothing: string }) {
    return (
        <>
            {findings === null && <p className="quiet">Looking …</p>}
            {findings?.length === 0 && <p>{nothing}</p>}
            {findings?.map((one) => (
                <Kind key={one.kind} {...one} />
            ))}
        </>
    );
}

function Kind({ kind, title, count, findings, mend }: FindingsData) {
    return (
        <div className="flex flex-col gap-1">
            <p className="flex items-center justify-between gap-2">
                {title}: {count}
                {mend !== null && <MendButton mend={mend} />}
            </p>
            <ul>
                {findings.slice(0, SHOWN).map((finding, i) => (
                    <One key={`${i} ${finding.labels.join(' ')} ${finding.words}`} kind={kind} finding={finding} />
                ))}
                {count > SHOWN && <li className="quiet">and {count - SHOWN} more</li>}
            </ul>
        </div>
    );
}

function One({ kind, finding }: { kind: string; finding: FindingData }) {
    const bench = useBenchModel();
    const { labels, x, y, words, mend } = finding;
    const show = (left: number, top: number): void => {
        bench.surface?.goTo(left, top);
        bench.set({ pickedRegions: labels });
    };
    return (
        <li className="flex items-center gap-2 py-0.5">
            {x !== null && y !== null && <PlacePicture x={x} y={y} />}
            <span className="figures quiet min-w-0 flex-1 truncate" title={words}>
                {words}
            </span>
            {x !== null && y !== null && (
                <button className="act" aria-label={`Show ${kind} at ${x}, ${y}`} onClick={() => show(x, y)}>
                    Show
                </button>
            )}
            {mend !== null && <MendButton mend={mend} />}
        </li>
    );
}

/** One click, and one step to undo. */
function MendButton({ mend }: { mend: MendData }) {
    const session = useSession();
    const isBlocked = usePage((view) => !mayFlat(view));
    return (
        <button className="act" disabled={isBlocked} title={mend.what} onClick={() => session.apply(mend.op as Op)}>
            {mend.title}
        </button>
    );
}
