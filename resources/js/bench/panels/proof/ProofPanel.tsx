/** What should be looked at before the page leaves. */
import { Panel } from '../../../ui/Panel';
import { Tick } from '../../../ui/Tick';
import { useBench, useBenchModel } from '../../model/context';
import { FindingsList, useFindings } from './FindingsPart';

export function ProofPanel() {
    const bench = useBenchModel();
    const isGrey = useBench((view) => view.grey);
    const findings = useFindings();
    return (
        <Panel title="Before it leaves" help="proof">
            <Tick className="pb-2 text-[13px]" checked={isGrey} onChange={(grey) => bench.set({ grey })}>
                Look at the page in grey (G)
            </Tick>
            <div className="flex flex-col gap-2 text-[13px]">
                <FindingsList
                    findings={findings}
                    nothing="Every region is filled, no pass is rolled up, and nothing is odd about the flats."
                />
            </div>
        </Panel>
    );
}
