/** What a pass is clipped to: its figure, a material of it, the lines, or nothing. */
import type { PassData, ScopeData, ScopeKind } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { namesFigure } from '../../../page/target';
import { usePage, useSession } from '../../model/context';
import { changePass } from '../../../page/ops/passes/changePass';
import { passKindOf } from '../../../picture/passKinds/registry';

interface Props {
    id: string;
    pass: PassData;
}

export function ClipChoice({ id, pass }: Props) {
    const session = useSession();
    const may = usePage(mayColour);
    const figure = usePage((view) => view.palette.figures.find((one) => one.id === pass.figure));
    const looksAround = passKindOf(pass.content).margin !== undefined;
    return (
        <label className="flex items-center gap-2">
            Stays
            <select
                className="field min-w-0 flex-1"
                disabled={!may}
                value={valueOf(pass.scope)}
                onChange={(event) => session.apply(changePass({ id, values: { scope: scopeOf(event.target.value) } }))}
            >
                {figure !== undefined && !looksAround && (
                    <option value={valueOf({ kind: 'figure', id: figure.id })}>inside {figure.name}</option>
                )}
                {(looksAround ? [] : (figure?.materials ?? [])).map((material) => (
                    <option key={material.id} value={valueOf({ kind: 'material', id: material.id })}>
                        inside {figure?.name}’s {material.name}
                    </option>
                ))}
                {isElsewhere(pass, figure?.materials.map((material) => material.id) ?? []) && (
                    <option value={valueOf(pass.scope)}>
                        {pass.scope.kind === 'behind' ? 'behind' : 'inside'} another figure
                    </option>
                )}
                {figure !== undefined && (
                    <option value={valueOf({ kind: 'behind', id: figure.id })}>behind {figure.name}</option>
                )}
                {!looksAround && <option value="ink 0">on the lines only</option>}
                <option value="page 0">nowhere: over the whole page</option>
            </select>
        </label>
    );
}

const valueOf = ({ kind, id }: ScopeData): string => `${kind} ${kind === 'ink' || kind === 'page' ? 0 : id}`;

function scopeOf(value: string): ScopeData {
    const [kind, id] = value.split(' ');
    return { kind: kind as ScopeKind, id: Number(id) };
}

/** Whether it is clipped to something that is not its own figure's. */
const isElsewhere = ({ figure, scope }: PassData, materials: number[]): boolean =>
    (namesFigure(scope.kind) && scope.id !== figure) || (scope.kind === 'material' && !materials.includes(scope.id));
