/** The passes of a figure, hung under its flats like the slats of an awning; the lowest slat lies on top. */
import {
    closestCenter,
    DndContext,
    KeyboardSensor,
    PointerSensor,
    useSensor,
    useSensors,
    type Announcements,
    type DragEndEvent,
    type DragMoveEvent,
} from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Fragment, useState } from 'react';
import type { PassData } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { passFor } from '../../../page/target';
import { sortedPasses } from '../../../picture/stack';
import { Panel } from '../../../ui/Panel';
import { usePage, useSession, useTarget } from '../../model/context';
import { edgeOf, endsGroup, groupOfEdge, groupPlace, passUnder, placeBetween, type Hung } from '../../model/passPlaces';
import { AddPass } from './AddPass';
import { GroupEdge } from './GroupEdge';
import { placesByKeys } from './keyPlaces';
import { LinesSlat } from './LinesSlat';
import { RoughPart } from '../light/RoughPart';
import { SetupPart } from './SetupPart';
import { Slat } from './Slat';
import { orderPasses } from '../../../page/ops/passes/orderPasses';
import { changePass } from '../../../page/ops/passes/changePass';

export function LightPanel() {
    const target = useTarget();
    return <PassList figure={target?.material.figure ?? 0} name={target?.figureName ?? 'the whole page'} />;
}

export function PassList({ figure, name }: { figure: number; name: string }) {
    const [isAdding, setAdding] = useState(false);
    const may = usePage(mayColour);
    const all = usePage((view) => view.records.pass);
    const passes = sortedPasses(all).filter(([, pass]) => pass.figure === figure);
    const add = (
        <button className="bare quiet text-[13px]" aria-expanded={isAdding} onClick={() => setAdding(!isAdding)}>
            Add
        </button>
    );
    return (
        <Panel title={`Passes of ${name}`} help="light#passes" action={may ? add : undefined}>
            {isAdding && <AddPass figure={figure} name={name} onDone={() => setAdding(false)} />}
            {figure !== 0 && <RoughPart />}
            {figure !== 0 && <SetupPart passes={passes} />}
            <div className="heading border border-base-content/50 bg-base-300 px-2 py-1 text-[13px]">
                {figure === 0 ? 'The page' : 'Flats'}
            </div>
            {passes.length === 0 && (
                <p className="quiet py-2 text-[13px]">
                    {figure === 0
                        ? 'No pass hangs over the page yet. Add one: a tint, a glow, free paint.'
                        : 'No pass hangs here yet. Pick a tone and paint: the pass for it is made by itself.'}
                </p>
            )}
            <HungPasses passes={passes} />
            <LinesSlat />
        </Panel>
    );
}

function HungPasses({ passes }: { passes: Hung[] }) {
    const session = useSession();
    const target = useTarget();
    const rules = usePage((view) => view.rules);
    const records = usePage((view) => view.records);
    const [open, setOpen] = useState<string | null>(null);
    const items = hungItems(passes);
    const sensors = useSensors(
        useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
        // At once: a scroll that is still on its way would leave what is carried between two places.
        useSensor(KeyboardSensor, { coordinateGetter: placesByKeys(items), scrollBehavior: 'auto' }),
    );
    const [carried, setCarried] = useState<Carried | null>(null);
    const active = target === null ? null : passFor(rules, records, target).id;
    const follow = ({ active: dragged, delta }: DragMoveEvent): void => {
        const group = groupOfEdge(dragged.id);
        if (group !== null) setCarried({ group, by: delta.y });
    };
    const moved = ({ active: dragged, over }: DragEndEvent): void => {
        setCarried(null);
        if (over === null) return;
        const group = groupOfEdge(dragged.id);
        const onto = passUnder(passes, over.id);
        const places = group === null ? [] : groupPlace(passes, group, onto);
        const place = group === null ? placeBetween(passes, String(dragged.id), onto) : null;
        if (places.length > 0) session.apply(orderPasses({ passes: places }));
        if (place !== null) session.apply(changePass({ id: String(dragged.id), values: place }));
    };
    return (
        <DndContext
            sensors={sensors}
            collisionDetection={closestCenter}
            accessibility={{ announcements: announcementsOf(passes) }}
            onDragMove={follow}
            onDragCancel={() => setCarried(null)}
            onDragEnd={moved}
        >
            <SortableContext items={items} strategy={verticalListSortingStrategy}>
                <ul>
                    {passes.map(([id, pass], index) => (
                        <Fragment key={id}>
                            <Slat
                                id={id}
                                pass={pass}
                                below={passes[index - 1] ?? null}
                                isActive={id === active}
                                isOpen={open === id}
                                carriedBy={carried?.group === pass.group && pass.group !== null ? carried.by : null}
                                onOpen={() => setOpen(open === id ? null : id)}
                            />
                            {endsGroup(passes, index) && (
                                <GroupEdge group={pass.group ?? ''} names={namesIn(passes, pass.group)} />
                            )}
                        </Fragment>
                    ))}
                </ul>
            </SortableContext>
        </DndContext>
    );
}

/** A group that is dragged by its edge, and px down. */
interface Carried {
    group: string;
    by: number;
}

const namesIn = (passes: Hung[], group: string | null): string[] =>
    passes.filter(([, pass]) => pass.group === group).map(([, pass]) => pass.name);

/** Passes, and under the last of each group its edge. */
const hungItems = (passes: Hung[]): string[] =>
    passes.flatMap(([id, { group }], index) =>
        endsGroup(passes, index) && group !== null ? [id, edgeOf(group)] : [id],
    );

/** What a screen reader says while a pass is moved: names and places, not ids. */
export function announcementsOf(passes: [string, PassData][]): Announcements {
    const name = (id: string | number): string =>
        groupOfEdge(id) === null ? (passes.find(([key]) => key === id)?.[1].name ?? 'The pass') : 'The group';
    const place = (id: string | number): string =>
        `${passes.findIndex(([key]) => key === passUnder(passes, id)) + 1} of ${passes.length}`;
    return {
        onDragStart: ({ active }) => `${name(active.id)} taken up, place ${place(active.id)}.`,
        onDragOver: ({ active, over }) =>
            over === null ? undefined : `${name(active.id)} at place ${place(over.id)}.`,
        onDragEnd: ({ active, over }) =>
            over === null
                ? `${name(active.id)} left where it was.`
                : `${name(active.id)} hung at place ${place(over.id)}.`,
        onDragCancel: ({ active }) => `${name(active.id)} left where it was.`,
    };
}
