/** Overshoots cut back and gaps closed, shown before it is done. */
import { useState } from 'react';
import { mayColour } from '../../../page/store';
import { NumberField } from '../../../ui/NumberField';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { api } from '../../../api/client';

export function TidyLines() {
    const bench = useBenchModel();
    const session = useSession();
    const [overshoot, setOvershoot] = useState(12);
    const [gap, setGap] = useState(8);
    const proposed = useBench((view) => view.proposed);
    const isBlocked = usePage((view) => !mayColour(view));
    /** What is marked on the page is for the numbers as they were. */
    const changed =
        (set: (value: number) => void) =>
        (value: number): void => {
            set(value);
            bench.set({ proposed: null });
        };
    const show = async (): Promise<void> =>
        bench.set({ proposed: await session.answer(api.tidyLines(session.view.id, overshoot, gap)) });
    const make = async (): Promise<void> => {
        await session.work.tidy(overshoot, gap);
        bench.set({ proposed: null });
    };
    return (
        <div className="rule-t flex flex-col gap-2 pt-3 text-[13px]">
            <h3 className="heading">Tidy lines</h3>
            <div className="flex gap-2">
                <NumberField
                    label="Overshoots to, px"
                    value={overshoot}
                    least={0}
                    most={200}
                    onChange={changed(setOvershoot)}
                />
                <NumberField label="Gaps to, px" value={gap} least={0} most={200} onChange={changed(setGap)} />
            </div>
            {proposed === null ? (
                <button className="act self-start" disabled={isBlocked} onClick={() => void show()}>
                    Show what would change
                </button>
            ) : (
                <>
                    <p>
                        {proposed.length === 0
                            ? 'Nothing would change.'
                            : `${proposed.length} lines would change, as marked on the page.`}
                    </p>
                    <div className="flex gap-2">
                        {proposed.length > 0 && (
                            <button className="act main" disabled={isBlocked} onClick={() => void make()}>
                                Do it
                            </button>
                        )}
                        <button className="act" onClick={() => bench.set({ proposed: null })}>
                            Leave it
                        </button>
                    </div>
                </>
            )}
        </div>
    );
}
