/** The light of the page, set by dragging it over a maquette, and a first light on the picked figure by it. */
import { useEffect, useState } from 'react';
import type { LightPlanData, LightState, TaskState } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { isGoing } from '../../../api/tasks';
import { ColourField } from '../../../ui/ColourField';
import { Fold } from '../../../ui/Fold';
import { Maquette } from '../../../ui/Maquette';
import { COMPUTED } from '../../model/paintModel';
import { NamedOptions } from '../../../ui/NamedOptions';
import { Tick } from '../../../ui/Tick';
import { AT_FIRST, directionOf, lightAt, planOf, turned } from '../../model/keyLight';
import { useBench, useBenchModel, usePage, useSession, useTarget } from '../../model/context';
import { ChosenLight } from './ChosenLight';
import { ChosenSolid } from './ChosenSolid';
import { LightDials } from './LightDials';
import { LampsPart } from './LampsPart';

/** Degrees of a press of an arrow. */
const STEP = 5;

/** 359.6 is 0, not 360. */
const whole = (degrees: number): number => Math.round(degrees) % 360;

export function RoughPart() {
    const target = useTarget();
    const kept = usePage(({ palette }) => planOf(palette));
    if (target === null) return null;
    // Another plan, or somebody's change to it, begins anew.
    return (
        <Fold title={`First light on ${target.figureName}`} help="light#first-light">
            <Rough
                key={`${kept?.id} ${kept?.version} ${target.material.figure}`}
                kept={kept}
                figure={target.material.figure}
            />
        </Fold>
    );
}

function Rough({ kept, figure }: { kept: LightState | null; figure: number }) {
    const target = useTarget();
    const bench = useBenchModel();
    const may = usePage(mayColour);
    const [plan, setPlan] = useState<LightPlanData>(kept?.plan ?? AT_FIRST);
    useEffect(() => () => bench.light.drop(), [bench]);
    if (target === null) return null;
    const set = (change: Partial<LightPlanData>): void => {
        const next = { ...plan, ...change };
        setPlan(next);
        if (may) bench.light.want(figure, next);
    };
    const says = `from ${whole(plan.azimuth)}°, height ${Math.round(plan.elevation)}°`;
    return (
        <>
            <PlanChoice kept={kept} />
            <ChosenLight />
            <Maquette
                tones={target.material.tones}
                light={directionOf(plan)}
                dials={plan.dials}
                says={says}
                onDrag={(x, y) => set(lightAt(x, y))}
                onKey={(event) => {
                    const next = turned(plan, event.key, STEP);
                    if (next === null) return;
                    event.preventDefault();
                    set(next);
                }}
            />
            <div className="flex items-center gap-1.5 text-[13px]">
                <span className="quiet figures flex-1">{says}</span>
                <ColourField label="Colour of the light" value={plan.colour} onChange={(colour) => set({ colour })} />
                <ColourField label="Ambient light" value={plan.ambient} onChange={(ambient) => set({ ambient })} />
            </div>
            <Tick
                checked={plan.beside}
                title="Bounced light takes the colour of the neighbour the figure touches, instead of the ambient light"
                onChange={(beside) => set({ beside })}
            >
                bounce in the colours beside it
            </Tick>
            <LayIt figure={figure} plan={plan} />
            <Pin />
            <LampsPart plan={plan} onChange={set} />
            <LightDials dials={plan.dials} onChange={(dials) => set({ dials })} />
            <KeepPlan kept={kept} plan={plan} />
            <ChosenSolid figure={figure} plan={plan} />
        </>
    );
}

/** What is tried is shown over the page; here it is laid on it, or let go. */
function LayIt({ figure, plan }: { figure: number; plan: LightPlanData }) {
    const bench = useBenchModel();
    const session = useSession();
    const isBlocked = usePage((view) => !mayColour(view) || isGoing(view.task));
    const isTried = useBench((view) => view.tried !== null);
    const lay = async (begun: Promise<TaskState | null>): Promise<void> => {
        if ((await begun)?.state === 'done') bench.light.drop();
    };
    return (
        <>
            <div className="flex flex-wrap gap-1">
                <button
                    className="act main"
                    disabled={isBlocked}
                    onClick={() => void lay(session.work.roughIn(figure, plan))}
                >
                    Lay first light
                </button>
                <button
                    className="act"
                    disabled={isBlocked}
                    title="The same light on everything that is filled on this page, in one step"
                    onClick={() => void lay(session.work.roughInAll(plan))}
                >
                    on every figure
                </button>
            </div>
            {/* Both take their room all the while: what lies below must not move from under the hand that drags it. */}
            <p className="quiet grid text-[13px]">
                <span className={`col-start-1 row-start-1 ${isTried ? '' : 'invisible'}`}>
                    This is a preview. Nothing of it is on the page yet.{' '}
                    <button className="underline" disabled={!isTried} onClick={() => bench.light.drop()}>
                        Leave it
                    </button>
                </span>
                <span className={`col-start-1 row-start-1 ${isTried ? 'invisible' : ''}`}>
                    Drag the light or a dial to preview it on the page. Laid again, the passes follow the light, and
                    what you painted stays.
                </span>
            </p>
        </>
    );
}

/** The maquette stays beside the page while one paints. */
function Pin() {
    const bench = useBenchModel();
    const isPinned = useBench((view) => view.maquette !== null);
    return (
        <Tick checked={isPinned} onChange={(pin) => bench.set({ maquette: pin ? COMPUTED : null })}>
            keep the maquette beside the page
        </Tick>
    );
}

function PlanChoice({ kept }: { kept: LightState | null }) {
    const session = useSession();
    const may = usePage(mayColour);
    const lights = usePage((view) => view.palette.lights);
    if (lights.length === 0) return null;
    return (
        <label className="flex items-center gap-2 text-[13px]">
            This page
            <select
                className="field min-w-0 flex-1"
                aria-label="Light plan of this page"
                disabled={!may}
                value={kept?.id ?? ''}
                onChange={(event) =>
                    void session.palette.pickLight(event.target.value === '' ? null : Number(event.target.value))
                }
            >
                <option value="">no light plan</option>
                <NamedOptions of={lights} />
            </select>
        </label>
    );
}

function KeepPlan({ kept, plan }: { kept: LightState | null; plan: LightPlanData }) {
    const session = useSession();
    const may = usePage(mayColour);
    const [name, setName] = useState('');
    const isChanged = kept !== null && JSON.stringify(kept.plan) !== JSON.stringify(plan);
    const keep = (): void => {
        if (name.trim() === '') return;
        void session.palette.keepLight(name.trim(), plan);
        setName('');
    };
    return (
        <div className="flex flex-wrap gap-1">
            {kept !== null && (
                <>
                    <button
                        className="act"
                        disabled={!may || !isChanged}
                        onClick={() => void session.palette.changeLight(kept, { plan })}
                    >
                        Change the plan
                    </button>
                    <button
                        className="act"
                        disabled={!may}
                        onClick={() => void session.palette.changeLight(kept, { retire: true })}
                    >
                        Delete it
                    </button>
                </>
            )}
            <input
                className="field w-28 flex-1"
                aria-label="Name of a new light plan"
                placeholder="Noon on deck"
                maxLength={80}
                value={name}
                disabled={!may}
                onChange={(event) => setName(event.target.value)}
                onKeyDown={(event) => event.key === 'Enter' && keep()}
            />
            <button className="act" disabled={!may || name.trim() === ''} onClick={keep}>
                Keep as new
            </button>
        </div>
    );
}
