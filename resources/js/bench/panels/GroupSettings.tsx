/** The group a pass is in, or the way into one. */
import type { GroupData, PassData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { mayColour } from '../../page/store';
import { Slide } from '../../ui/Slide';
import { Tick } from '../../ui/Tick';
import { usePage, useSession } from '../model/context';
import { ModeSelect } from './ModeSelect';

interface Props {
    id: string;
    pass: PassData;
    below: [string, PassData] | null;
}

const AS_ONE: GroupData = { isolated: true, mode: 'normal', opacity: 1 };

export function GroupSettings({ id, pass, below }: Props) {
    const group = usePage((view) => (pass.group === null ? undefined : view.records.group[pass.group]));
    if (pass.group !== null && group !== undefined) return <Grouped id={pass.group} group={group} />;
    const fits = below !== null && placeOf(below[1]) === placeOf(pass);
    return fits ? <GroupButton id={id} below={below} /> : null;
}

/** Passes inside figures, in the ink and over the page lie in different places. */
const placeOf = ({ scope }: PassData): string => (scope.kind === 'material' ? 'figure' : scope.kind);

function GroupButton({ id, below }: { id: string; below: [string, PassData] }) {
    const session = useSession();
    const may = usePage(mayColour);
    const known = below[1].group;
    const how = usePage((view) => (known === null ? undefined : view.records.group[known]));
    const group = (): void => session.group(known ?? randomId(12), known === null ? [below[0], id] : [id], how ?? AS_ONE);
    return (
        <button
            className="act self-start"
            disabled={!may}
            title={`Blend with ${below[1].name} first, then as one with what lies below`}
            onClick={group}
        >
            Group with {below[1].name}
        </button>
    );
}

function Grouped({ id, group }: { id: string; group: GroupData }) {
    const session = useSession();
    const may = usePage(mayColour);
    const set = (change: Partial<GroupData>): void => session.group(id, [], { ...group, ...change });
    return (
        <fieldset className="flex flex-col gap-1.5 border border-base-300 px-2 pb-2">
            <legend className="quiet px-1">Its group</legend>
            <GroupOpacity id={id} group={group} disabled={!may} />
            <Tick
                checked={group.isolated}
                disabled={!may}
                onChange={(isolated) => set({ isolated, ...(isolated ? {} : { mode: 'normal' }) })}
            >
                blends among itself first
            </Tick>
            {group.isolated && (
                <ModeSelect
                    value={group.mode}
                    disabled={!may}
                    onTry={(mode) => session.previewGroup(id, { mode })}
                    onChange={(mode) => set({ mode })}
                />
            )}
            <button className="act self-start" disabled={!may} onClick={() => session.group(id, [], null)}>
                Part the group
            </button>
        </fieldset>
    );
}

function GroupOpacity({ id, group, disabled }: { id: string; group: GroupData; disabled: boolean }) {
    const session = useSession();
    return (
        <Slide
            wide
            label="Opacity"
            value={Math.round(group.opacity * 100)}
            most={100}
            shown={`${Math.round(group.opacity * 100)} %`}
            disabled={disabled}
            onChange={(value) => session.previewGroup(id, { opacity: value / 100 })}
            onSettle={(value) => session.group(id, [], { ...group, opacity: value / 100 })}
        />
    );
}
