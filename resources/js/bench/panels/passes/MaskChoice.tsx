/**
 * Where a pass shows inside its clip: everywhere, only where another pass is, only where it is not, or where a mask is
 * painted.
 */
import { useState } from 'react';
import type { MaskData, PassData, RecordsState } from '../../../api/generated';
import { randomId } from '../../../page/ids';
import { mayColour } from '../../../page/store';
import { sortedPasses } from '../../../picture/stack';
import { Slide } from '../../../ui/Slide';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { keepTo, paintMask } from '../../../page/commands/masks';
import { changePass } from '../../../page/ops/passes/changePass';
import { softenMask } from '../../../page/ops/passes/softenMask';

/** Px. */
const SOFTEST = 80;

interface Props {
    id: string;
    pass: PassData;
}

export function MaskChoice({ id, pass }: Props) {
    const bench = useBenchModel();
    const session = useSession();
    const may = usePage(mayColour);
    const labels = useBench((view) => view.pickedRegions);
    const passes = usePage((view) => view.records.pass);
    const others = sortedPasses(passes).filter(
        ([other, { figure }]) => other !== id && (figure === pass.figure || figure === 0),
    );
    const by = pass.mask === null ? undefined : passes[pass.mask.pass];
    const [soft, setSoft] = useState(0);
    const paint = (): void => {
        const mask = by === undefined ? paintMask(session, id, randomId(12)) : (pass.mask as MaskData).pass;
        bench.pickPass(mask);
    };
    return (
        <div className="flex flex-col gap-1.5">
            <label className="flex items-center gap-2">
                Shows
                <select
                    className="field min-w-0 flex-1"
                    disabled={!may}
                    value={by === undefined ? '' : valueOf(pass.mask as MaskData)}
                    onChange={(event) =>
                        session.apply(changePass({ id: id, values: { mask: maskOf(event.target.value) } }))
                    }
                >
                    <option value="">all over its clip</option>
                    <Choices label="Only" passes={others} outside={false} />
                    <Choices label="Only outside" passes={others} outside />
                </select>
            </label>
            {(labels.length > 0 || by !== undefined) && (
                <Slide
                    wide
                    label="Soft edge"
                    title="Of what the pass is kept to: set it, then say what that is"
                    most={SOFTEST}
                    value={soft}
                    shown={`${soft} px`}
                    disabled={!may}
                    onChange={setSoft}
                />
            )}
            {labels.length > 0 && (
                <button className="act self-start" disabled={!may} onClick={() => keepTo(session, id, labels, soft)}>
                    Only in the {labels.length === 1 ? 'picked region' : `${labels.length} picked regions`}
                </button>
            )}
            {by !== undefined && (
                <button
                    className="act self-start"
                    disabled={!may || soft === 0}
                    title={`Where ${by.name} ends, this pass fades by so many px`}
                    onClick={() => session.apply(softenMask({ id: id, mask: randomId(12), by: soft }))}
                >
                    Soften that edge
                </button>
            )}
            <button
                className="act self-start"
                disabled={!may}
                title={by === undefined ? 'Paint hides the pass, erasing shows it again' : `Paint in ${by.name}`}
                onClick={paint}
            >
                {by === undefined ? 'Hide parts by painting' : `Paint in ${by.name}`}
            </button>
        </div>
    );
}

function Choices({ label, passes, outside }: { label: string; passes: [string, PassData][]; outside: boolean }) {
    return (
        <optgroup label={label}>
            {passes.map(([id, { name }]) => (
                <option key={id} value={valueOf({ pass: id, outside })}>
                    {outside ? `where no ${name} is` : `where ${name} is`}
                </option>
            ))}
        </optgroup>
    );
}

const valueOf = ({ pass, outside }: MaskData): string => `${outside ? 'out' : 'in'} ${pass}`;

function maskOf(value: string): MaskData | null {
    const [side, pass] = value.split(' ');
    return pass === undefined ? null : { pass, outside: side === 'out' };
}

/** What a pass's slat says of its mask. */
export function maskWords({ mask }: PassData, passes: RecordsState['pass']): string | null {
    const by = mask === null ? undefined : passes[mask.pass];
    return mask === null || by === undefined ? null : mask.outside ? `where no ${by.name} is` : `where ${by.name} is`;
}
