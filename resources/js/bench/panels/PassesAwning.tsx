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
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useState } from 'react';
import type { PassData } from '../../api/generated';
import { mayColour } from '../../page/store';
import { passFor } from '../../page/target';
import { sortedPasses } from '../../picture/stack';
import { Panel } from '../../ui/Panel';
import { usePage, useSession, useTarget } from '../model/context';
import { placeBetween } from '../model/passPlaces';
import { AddPass } from './AddPass';
import { LinesSlat } from './LinesSlat';
import { RoughPart } from './RoughPart';
import { SetupPart } from './SetupPart';
import { Slat } from './Slat';

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
        <Panel title={`Passes of ${name}`} action={may ? add : undefined}>
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
            <Hung passes={passes} />
            <LinesSlat />
        </Panel>
    );
}

function Hung({ passes }: { passes: [string, PassData][] }) {
    const session = useSession();
    const target = useTarget();
    const rules = usePage((view) => view.rules);
    const records = usePage((view) => view.records);
    const [open, setOpen] = useState<string | null>(null);
    const sensors = useSensors(
        useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
        useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
    );
    const active = target === null ? null : passFor(rules, records, target).id;
    const moved = ({ active: dragged, over }: DragEndEvent): void => {
        const place = over === null ? null : placeBetween(passes, String(dragged.id), String(over.id));
        if (place !== null) session.changePass(String(dragged.id), place);
    };
    return (
        <DndContext
            sensors={sensors}
            collisionDetection={closestCenter}
            accessibility={{ announcements: announcementsOf(passes) }}
            onDragEnd={moved}
        >
            <SortableContext items={passes.map(([id]) => id)} strategy={verticalListSortingStrategy}>
                <ul>
                    {passes.map(([id, pass], index) => (
                        <Slat
                            key={id}
                            id={id}
                            pass={pass}
                            below={passes[index - 1] ?? null}
                            isActive={id === active}
                            isOpen={open === id}
                            endsGroup={pass.group !== null && passes[index + 1]?.[1].group !== pass.group}
                            onOpen={() => setOpen(open === id ? null : id)}
                        />
                    ))}
                </ul>
            </SortableContext>
        </DndContext>
    );
}

/** What a screen reader says while a pass is moved: names and places, not ids. */
export function announcementsOf(passes: [string, PassData][]): Announcements {
    const name = (id: string | number): string => passes.find(([key]) => key === id)?.[1].name ?? 'The pass';
    const place = (id: string | number): string => `${passes.findIndex(([key]) => key === id) + 1} of ${passes.length}`;
    return {
        onDragStart: ({ active }) => `${name(active.id)} taken up, place ${place(active.id)}.`,
        onDragOver: ({ active, over }) => (over === null ? undefined : `${name(active.id)} at place ${place(over.id)}.`),
        onDragEnd: ({ active, over }) =>
            over === null ? `${name(active.id)} left where it was.` : `${name(active.id)} hung at place ${place(over.id)}.`,
        onDragCancel: ({ active }) => `${name(active.id)} left where it was.`,
    };
}
