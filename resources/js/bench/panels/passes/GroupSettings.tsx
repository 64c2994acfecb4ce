/** The group a pass is in, or the way into one. */
import type { GroupData, PassData } from '../../../api/generated';
import { randomId } from '../../../page/ids';
import { mayColour } from '../../../page/store';
import { sortedPasses } from '../../../picture/stack';
import { Slide } from '../../../ui/Slide';
import { Tick } from '../../../ui/Tick';
import { usePage, useSession } from '../../model/context';
import { placeOf, placeOutside } from '../../model/passPlaces';
import { ModeSelect } from './ModeSelect';
import { groupPasses } from '../../../page/ops/passes/groupPasses';
import { changePass } from '../../../page/ops/passes/changePass';

interface Props {
    id: string;
    pass: PassData;
    below: [string, PassData] | null;
}

const AS_ONE: GroupData = { isolated: true, mode: 'normal', opacity: 1 };

export function GroupSettings({ id, pass, below }: Props) {
    const group = usePage((view) => (pass.group === null ? undefined : view.records.group[pass.group]));
    if (pass.group !== null && group !== undefined)
        return <Grouped id={pass.group} group={group} member={id} figure={pass.figure} />;
    const fits = below !== null && placeOf(below[1]) === placeOf(pass);
    return fits ? <GroupButton id={id} below={below} /> : null;
}

function GroupButton({ id, below }: { id: string; below: [string, PassData] }) {
    const session = useSession();
    const may = usePage(mayColour);
    const known = below[1].group;
    const how = usePage((view) => (known === null ? undefined : view.records.group[known]));
    const group = (): void =>
        session.apply(
            groupPasses({
                id: known ?? randomId(12),
                passes: known === null ? [below[0], id] : [id],
                how: how ?? AS_ONE,
            }),
        );
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

interface GroupedProps {
    id: string;
    group: GroupData;
    /** The pass that is set. */
    member: string;
    figure: number;
}

function Grouped({ id, group, member, figure }: GroupedProps) {
    const session = useSession();
    const takeOut = (): void => {
        const passes = sortedPasses(session.view.records.pass).filter(([, pass]) => pass.figure === figure);
        session.apply(changePass({ id: member, values: placeOutside(passes, member) }));
    };
    const may = usePage(mayColour);
    const set = (change: Partial<GroupData>): void =>
        session.apply(groupPasses({ id, passes: [], how: { ...group, ...change } }));
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
                    onTry={(mode) => session.preview(groupPasses({ id, passes: [], how: { ...group, mode } }))}
                    onChange={(mode) => set({ mode })}
                />
            )}
            <div className="flex flex-wrap gap-1">
                <button
                    className="act"
                    disabled={!may}
                    title="It hangs over the rest of the group, by itself"
                    onClick={takeOut}
                >
                    Take this one out
                </button>
                <button
                    className="act"
                    disabled={!may}
                    onClick={() => session.apply(groupPasses({ id, passes: [], how: null }))}
                >
                    Ungroup
                </button>
            </div>
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
            onChange={(value) =>
                session.preview(groupPasses({ id, passes: [], how: { ...group, opacity: value / 100 } }))
            }
            onSettle={(value) =>
                session.apply(groupPasses({ id, passes: [], how: { ...group, opacity: value / 100 } }))
            }
        />
    );
}
