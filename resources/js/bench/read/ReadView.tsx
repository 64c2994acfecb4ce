import { useEffect, useRef, useState } from 'react';
import { Dialog } from '../../ui/Dialog';
import { composeTile, SIDE } from '../surface/compose';
import type { PageSession } from '../session';
import type { Target } from '../target';

/** The page as a reader sees it, in colour and in grey, after every change; and the numbers that matter for the work. */
export function ReadView({ session, target }: { session: PageSession; target: Target | null }) {
    const [grey, setGrey] = useState(false);
    const [large, setLarge] = useState(false);
    const size = session.size;
    const regions = Object.values(session.state.facts.region);
    const area = regions.reduce((sum, region) => sum + region.area, 0);
    const unfilled = regions.filter((region) => region.material === 0).reduce((sum, region) => sum + region.area, 0);
    const readWidth = Math.round((session.state.series.readWidth / 25.4) * session.state.series.readPpi);
    return (
        <section aria-label="Read view" className="rule-t flex flex-col px-3 pb-2 pt-2">
            <div className="flex items-baseline justify-between pb-1">
                <h2 className="heading">Read view</h2>
                <span className="flex text-[13px]">
                    <button className="bare" aria-pressed={!grey} style={grey ? {} : { textDecoration: 'underline' }} onClick={() => setGrey(false)}>colour</button>
                    <button className="bare" aria-pressed={grey} style={grey ? { textDecoration: 'underline' } : {}} onClick={() => setGrey(true)}>grey</button>
                </span>
            </div>
            {size !== null ? (
                <button className="block self-center" title={`Look at it at reading size, ${readWidth} px wide`} onClick={() => setLarge(true)}>
                    <ReadCanvas session={session} grey={grey} width={Math.min(200, Math.round((230 * size.width) / size.height))} />
                </button>
            ) : (
                <p className="quiet text-[13px]">Nothing to read yet.</p>
            )}
            <dl className="figures grid grid-cols-[1fr_auto] gap-x-2 pt-1.5 text-[13px]">
                {area > 0 && <><dt className="quiet">page left unfilled</dt><dd>{((100 * unfilled) / area).toFixed(1)} %</dd></>}
                {target !== null && target.material.steps.length === 4 && (
                    <>
                        <dt className="quiet truncate" title="CIEDE2000 between the two tones; below about 8 they merge at reading size">{target.material.name}: base against shade</dt><dd>ΔE {target.material.steps[1].toFixed(1)}</dd>
                        <dt className="quiet truncate">base against light</dt><dd>ΔE {target.material.steps[2].toFixed(1)}</dd>
                    </>
                )}
            </dl>
            {large && (
                <Dialog title="At reading size" onClose={() => setLarge(false)}>
                    <ReadCanvas session={session} grey={grey} width={readWidth} />
                </Dialog>
            )}
        </section>
    );
}

function ReadCanvas({ session, grey, width }: { session: PageSession; grey: boolean; width: number }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        let timer = 0;
        const parts = new Map<string, HTMLCanvasElement>();
        const draw = (): void => {
            timer = 0;
            const element = canvas.current;
            const size = session.size;
            const context = element?.getContext('2d');
            if (element === null || element === undefined || context === null || context === undefined || size === null) return;
            const scale = width / size.width;
            const level = Math.max(0, Math.min(4, Math.floor(Math.log2(1 / scale))));
            const span = SIDE << level;
            element.width = width;
            element.height = Math.round(size.height * scale);
            context.imageSmoothingQuality = 'high';
            for (let row = 0; row * span < size.height; row++) {
                for (let column = 0; column * span < size.width; column++) {
                    let missing = false;
                    const image = composeTile(session.stack, (layer) => {
                        const tile = session.tiles.get(level, layer, column, row);
                        if (tile === undefined) missing = true;
                        return tile ?? null;
                    }, { ink: 1, hatch: false, passes: true, x: 0, y: 0 });
                    const key = `${column},${row}`;
                    let part = parts.get(key);
                    if (part === undefined) {
                        part = document.createElement('canvas');
                        part.width = part.height = SIDE;
                        parts.set(key, part);
                    }
                    if (!missing) (part.getContext('2d') as CanvasRenderingContext2D).putImageData(image, 0, 0);
                    context.drawImage(part, column * span * scale, row * span * scale, span * scale, span * scale);
                }
            }
        };
        // The surface comes first; this follows when the hand pauses.
        const later = (): void => {
            if (timer === 0) timer = window.setTimeout(draw, 180);
        };
        later();
        const stop = session.onPaint(later);
        return () => {
            stop();
            window.clearTimeout(timer);
        };
    }, [session, width]);
    return <canvas ref={canvas} className="border border-base-300 bg-white" style={{ width, filter: grey ? 'grayscale(1)' : 'none' }} aria-label={grey ? 'The page at reading size, in grey' : 'The page at reading size'} />;
}
