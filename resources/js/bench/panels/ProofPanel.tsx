/** What should be looked at before the page leaves: so far, what is unfilled and what is hidden. */
import { unfilled } from '../../page/records';
import { isMask } from '../../picture/stack';
import { Panel } from '../../ui/Panel';
import { Tick } from '../../ui/Tick';
import { useBench, useBenchModel, usePage } from '../model/context';
import { changePass } from '../../page/ops/passes/changePass';

const MOST = 8;

export function ProofPanel() {
    const bench = useBenchModel();
    const isGrey = useBench((view) => view.grey);
    const records = usePage((view) => view.records);
    const open = unfilled(records).sort(([, a], [, b]) => b.area - a.area);
    const whole = Object.values(records.region).reduce((sum, region) => sum + region.area, 0);
    const shareOf = (area: number): string => (area < whole / 1000 ? 'under 0.1 %' : `${((100 * area) / whole).toFixed(1)} %`);
    const hidden = Object.entries(records.pass).filter(([id, pass]) => !pass.visible && !isMask(records.pass, id));
    return (
        <Panel title="Before it leaves">
            <Tick className="pb-2 text-[13px]" checked={isGrey} onChange={(grey) => bench.set({ grey })}>
                Look at the page in grey (G)
            </Tick>
            {open.length + hidden.length === 0 && <p className="text-[13px]">Every region is filled and no pass is rolled up.</p>}
            <ul className="flex flex-col gap-1 text-[13px]">
                {open.slice(0, MOST).map(([label, region]) => (
                    <li key={label} className="flex items-center justify-between gap-2">
                        <span className="figures">unfilled, {shareOf(region.area)} of the page</span>
                        <button
                            className="act"
                            aria-label={`Show unfilled region ${label}`}
                            onClick={() => bench.surface?.goTo(region.x, region.y)}
                        >
                            Show
                        </button>
                    </li>
                ))}
                {open.length > MOST && <li className="quiet">and {open.length - MOST} smaller ones</li>}
                {hidden.map(([id, pass]) => (
                    <li key={id} className="flex items-center justify-between gap-2">
                        <span className="truncate" title={pass.name}>
                            rolled up: {pass.name}
                        </span>
                        <button className="act" onClick={() => bench.session.apply(changePass({ id: id, values: { visible: true } }))}>
                            Let down
                        </button>
                    </li>
                ))}
            </ul>
        </Panel>
    );
}
