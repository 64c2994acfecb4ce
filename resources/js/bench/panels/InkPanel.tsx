/** The drawing's settings: where paper ends and full ink begins, with the result on the canvas while the slider moves. */
import { mayFlat, sizeOf } from '../../page/store';
import { isGoing } from '../../page/tasks';
import { Panel } from '../../ui/Panel';
import { Slide } from '../../ui/Slide';
import { useBench, useBenchModel, usePage, useSession } from '../model/context';
import { FileButton } from './ImportBox';

export function InkPanel() {
    const size = usePage(sizeOf);
    return (
        <Panel title="Drawing">
            {size === null ? (
                <p className="quiet text-[13px]">Once a scan is imported, its clean-up is set here.</p>
            ) : (
                <div className="flex flex-col gap-3">
                    <p className="quiet figures text-[13px]">
                        {size.width} × {size.height} px{size.dpi > 0 ? `, ${size.dpi} dpi` : ''}
                    </p>
                    <CleanUp paper={size.paper} ink={size.ink} />
                </div>
            )}
        </Panel>
    );
}

function CleanUp({ paper, ink }: { paper: number; ink: number }) {
    const bench = useBenchModel();
    const session = useSession();
    const tried = useBench((view) => view.levels);
    const isBlocked = usePage((view) => !mayFlat(view) || isGoing(view.task));
    const now = tried ?? { paper, ink };
    const setPaper = (value: number): void => bench.set({ levels: { paper: value, ink: Math.max(now.ink, value + 1) } });
    const setInk = (value: number): void => bench.set({ levels: { paper: Math.min(now.paper, value - 1), ink: value } });
    const clean = async (): Promise<void> => {
        await session.clean(now.paper, now.ink);
        bench.set({ levels: null });
    };
    return (
        <>
            <Slide wide label="Paper ends at" value={now.paper} most={200} shown={String(now.paper)} onChange={setPaper} />
            <Slide wide label="Full ink from" value={now.ink} least={20} most={255} shown={String(now.ink)} onChange={setInk} />
            <p className="quiet text-[13px]">The page shows what the levels do. Cleaning again keeps what regions are filled with.</p>
            <div className="flex flex-wrap gap-2">
                <button className="act main" disabled={tried === null || isBlocked} onClick={() => void clean()}>
                    Clean again
                </button>
                <button className="act" disabled={tried === null} onClick={() => bench.set({ levels: null })}>
                    Put back
                </button>
            </div>
            <div className="rule-t pt-3">
                <FileButton label="Another scan" disabled={isBlocked} />
            </div>
        </>
    );
}
