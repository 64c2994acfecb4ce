/**
 * The page as a reader sees it, in colour and in grey, after every change; and the numbers that matter for the work.
 */
import { useState } from 'react';
import { sizeOf } from '../../../page/store';
import { Dialog } from '../../../ui/Dialog';
import { usePage, useTarget } from '../../model/context';
import { ReadCanvas } from './ReadCanvas';

const MM_AN_INCH = 25.4;
const WIDEST = 200;
const HIGHEST = 230;

export function ReadView() {
    const [isGrey, setGrey] = useState(false);
    const [isLarge, setLarge] = useState(false);
    const size = usePage(sizeOf);
    const series = usePage((view) => view.series);
    const readWidth = Math.round((series.readWidth / MM_AN_INCH) * series.readPpi);
    return (
        <section aria-label="Read view" className="rule-t flex flex-col px-3 pb-2 pt-2">
            <div className="flex items-baseline justify-between pb-1">
                <h2 className="heading">Read view</h2>
                <span className="flex text-[13px]">
                    <Choice label="colour" isOn={!isGrey} onPick={() => setGrey(false)} />
                    <Choice label="grey" isOn={isGrey} onPick={() => setGrey(true)} />
                </span>
            </div>
            {size === null ? (
                <p className="quiet text-[13px]">Nothing to read yet.</p>
            ) : (
                <button
                    className="block self-center"
                    title={`Look at it at reading size, ${readWidth} px wide`}
                    onClick={() => setLarge(true)}
                >
                    <ReadCanvas
                        isGrey={isGrey}
                        width={Math.min(WIDEST, Math.round((HIGHEST * size.width) / size.height))}
                    />
                </button>
            )}
            <Numbers />
            {isLarge && (
                <Dialog title="At reading size" onClose={() => setLarge(false)}>
                    <ReadCanvas isGrey={isGrey} width={readWidth} />
                </Dialog>
            )}
        </section>
    );
}

function Choice({ label, isOn, onPick }: { label: string; isOn: boolean; onPick: () => void }) {
    return (
        <button className={`bare ${isOn ? 'underline' : ''}`} aria-pressed={isOn} onClick={onPick}>
            {label}
        </button>
    );
}

function Numbers() {
    const material = useTarget()?.material;
    const regions = usePage((view) => view.records.region);
    const all = Object.values(regions);
    const area = all.reduce((sum, region) => sum + region.area, 0);
    const open = all.filter((region) => region.material === 0).reduce((sum, region) => sum + region.area, 0);
    return (
        <dl className="figures grid grid-cols-[1fr_auto] gap-x-2 pt-1.5 text-[13px]">
            {area > 0 && (
                <>
                    <dt className="quiet">page left unfilled</dt>
                    <dd>{((100 * open) / area).toFixed(1)} %</dd>
                </>
            )}
            {material !== undefined && material.steps.length === 4 && (
                <>
                    <dt
                        className="quiet truncate"
                        title="CIEDE2000 between the two tones; below about 8 they merge at reading size"
                    >
                        {material.name}: base against shade
                    </dt>
                    <dd>ΔE {material.steps[1].toFixed(1)}</dd>
                    <dt className="quiet truncate">base against light</dt>
                    <dd>ΔE {material.steps[2].toFixed(1)}</dd>
                </>
            )}
        </dl>
    );
}
