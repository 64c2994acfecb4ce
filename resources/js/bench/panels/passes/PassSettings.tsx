/** What one pass can be set to. Sliders move the picture at every step and tell the server once, when let go. */
import type { PassData, TurnData } from '../../../api/generated';
import { randomId } from '../../../page/ids';
import { mayColour } from '../../../page/store';
import { passKindOf } from '../../../picture/passKinds/registry';
import { Slide } from '../../../ui/Slide';
import { Fold } from '../../../ui/Fold';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { ClipChoice } from './ClipChoice';
import { GroupSettings } from './GroupSettings';
import { MaskChoice } from './MaskChoice';
import { ModeSelect } from './ModeSelect';
import { PassHistory } from './PassHistory';
import { OwnSettings } from './passKinds/OwnSettings';
import { AS_IT_IS, isTurned, TurnSlides } from './TurnSlides';
import { changePass } from '../../../page/ops/passes/changePass';
import { copyPass } from '../../../page/ops/passes/copyPass';
import { mergePass } from '../../../page/ops/passes/mergePass';
import { removePass } from '../../../page/ops/passes/removePass';

interface Props {
    id: string;
    pass: PassData;
    below: [string, PassData] | null;
}

export function PassSettings({ id, pass, below }: Props) {
    const session = useSession();
    const may = usePage(mayColour);
    const bench = useBenchModel();
    const softness = useBench((view) => view.softness);
    const isAlone = useBench((view) => view.solo === id);
    const kind = passKindOf(pass.content);
    return (
        <div className="flex flex-col gap-1.5 px-2.5 pb-2 text-[13px]">
            <Slide
                wide
                label="Opacity"
                value={Math.round(pass.opacity * 100)}
                most={100}
                shown={`${Math.round(pass.opacity * 100)} %`}
                disabled={!may}
                onChange={(value) => session.preview(changePass({ id, values: { opacity: value / 100 } }))}
                onSettle={(value) => session.apply(changePass({ id, values: { opacity: value / 100 } }))}
            />
            <ModeSelect
                value={pass.mode}
                disabled={!may}
                onTry={(mode) => session.preview(changePass({ id, values: { mode } }))}
                onChange={(mode) => session.apply(changePass({ id, values: { mode } }))}
            />
            <OwnSettings id={id} content={pass.content} disabled={!may} />
            <ClipChoice id={id} pass={pass} />
            <MaskChoice id={id} pass={pass} />
            {kind.alters !== true && <PassColours id={id} pass={pass} disabled={!may} />}
            {kind.holds !== null && <PassHistory id={id} />}
            <PassName id={id} name={pass.name} disabled={!may} />
            <GroupSettings id={id} pass={pass} below={below} />
            <div className="flex flex-wrap gap-1">
                <button
                    className="act"
                    disabled={!may}
                    onClick={() => session.apply(changePass({ id, values: { visible: !pass.visible } }))}
                >
                    {pass.visible ? 'Roll up' : 'Let down'}
                </button>
                <button className="act" aria-pressed={isAlone} onClick={() => bench.set({ solo: isAlone ? null : id })}>
                    {isAlone ? 'Show all again' : 'Show alone'}
                </button>
                {kind.holds !== null && (
                    <button
                        className="act"
                        disabled={!may}
                        title={`Softens every edge in the pass by ${softness} px; the Soften tool sets how much`}
                        onClick={() => bench.paint.softenAll(id)}
                    >
                        Soften all of it
                    </button>
                )}
                <button
                    className="act"
                    disabled={!may}
                    onClick={() => session.apply(copyPass({ id: randomId(12), from: id }))}
                >
                    Duplicate
                </button>
                {below !== null && areAlike(pass, below[1]) && <Merging id={id} below={below} disabled={!may} />}
                <button className="act" disabled={!may} onClick={() => session.apply(removePass({ id }))}>
                    Remove
                </button>
            </div>
        </div>
    );
}

function Merging({ id, below, disabled }: { id: string; below: [string, PassData]; disabled: boolean }) {
    const session = useSession();
    const [into, { name }] = below;
    return (
        <>
            <button
                className="act"
                disabled={disabled}
                title={`Both become one: ${name}`}
                onClick={() => session.apply(mergePass({ id, into, copy: null }))}
            >
                Merge into {name}
            </button>
            <button
                className="act"
                disabled={disabled}
                title="A new pass does what both do; they stay under it, rolled up"
                onClick={() => session.apply(mergePass({ id, into, copy: randomId(12) }))}
            >
                Merge a copy
            </button>
        </>
    );
}

/** Whether one pass can say what both do: the core looks again, and says why not. */
const areAlike = (upper: PassData, lower: PassData): boolean =>
    passKindOf(upper.content).holds !== null &&
    [upper, lower].every(({ visible, mode, mask }) => visible && mode === 'normal' && mask === null) &&
    upper.group === lower.group &&
    JSON.stringify(upper.content) === JSON.stringify(lower.content) &&
    upper.scope.kind === lower.scope.kind &&
    upper.scope.id === lower.scope.id;

/** All colours of the pass turned together; the palette and what is painted stay. */
function PassColours({ id, pass, disabled }: { id: string; pass: PassData; disabled: boolean }) {
    const session = useSession();
    const now = pass.turn ?? AS_IT_IS;
    const turned = (change: Partial<TurnData>): TurnData | null => {
        const turn = { ...now, ...change };
        return isTurned(turn) ? turn : null;
    };
    return (
        <Fold title="Its colours" help="light#passes" tells={isTurned(pass.turn) ? 'turned' : ''}>
            <TurnSlides
                value={now}
                disabled={disabled}
                onChange={(change) => session.preview(changePass({ id, values: { turn: turned(change) } }))}
                onSettle={(change) => session.apply(changePass({ id, values: { turn: turned(change) } }))}
            />
            {isTurned(pass.turn) && (
                <button
                    className="act self-start"
                    disabled={disabled}
                    onClick={() => session.apply(changePass({ id, values: { turn: null } }))}
                >
                    As they are
                </button>
            )}
        </Fold>
    );
}

function PassName({ id, name, disabled }: { id: string; name: string; disabled: boolean }) {
    const session = useSession();
    const settle = (text: string): void => {
        if (text.trim() !== '' && text.trim() !== name)
            session.apply(changePass({ id, values: { name: text.trim() } }));
    };
    return (
        <label className="flex items-center gap-2">
            Name
            <input
                className="field min-w-0 flex-1"
                disabled={disabled}
                maxLength={60}
                defaultValue={name}
                onBlur={(event) => settle(event.target.value)}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
        </label>
    );
}
