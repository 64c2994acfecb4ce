/** Stacks of passes that are hung with one press, and kept for the next time. */
import { useEffect, useState } from 'react';
import { api } from '../../api/client';
import type { PassData, SetupPass, SetupState } from '../../api/generated';
import { randomId } from '../../page/ids';
import { mayColour } from '../../page/store';
import { Fold } from '../../ui/Fold';
import { usePage, useSession, useTarget } from '../model/context';

const asSetup = ({ name, kind, tone, colour, mode, opacity }: PassData): SetupPass => ({ name, kind, tone, colour, mode, opacity });

export function SetupPart({ passes }: { passes: [string, PassData][] }) {
    return (
        <Fold title="Setups">
            <Setups passes={passes} />
        </Fold>
    );
}

function Setups({ passes }: { passes: [string, PassData][] }) {
    const session = useSession();
    const target = useTarget();
    const series = usePage((view) => view.series.id);
    const may = usePage(mayColour);
    const [setups, setSetups] = useState<SetupState[] | null>(null);
    const [picked, setPicked] = useState(0);
    const [name, setName] = useState('');
    useEffect(() => {
        api.setups(series).then(setSetups, (error: unknown) => session.report(error));
    }, [series, session]);
    if (target === null || setups === null) return null;
    const setup = setups[picked] ?? setups[0];
    const { figure, id, name: material } = target.material;
    const change = (asked: Promise<SetupState[]>): void => void asked.then(setSetups, (error: unknown) => session.report(error));
    const keep = (): void => {
        if (name.trim() === '' || passes.length === 0) return;
        change(
            api.keepSetup(
                series,
                name.trim(),
                passes.map(([, pass]) => asSetup(pass)),
                randomId(20),
            ),
        );
        setName('');
    };
    return (
        <>
            <select className="field" aria-label="Setup" value={picked} onChange={(event) => setPicked(Number(event.target.value))}>
                {setups.map((one, i) => (
                    <option key={`${one.id} ${one.name}`} value={i}>
                        {one.name}
                    </option>
                ))}
            </select>
            <p className="quiet text-[13px]">{setup.passes.map((pass) => pass.name).join(' · ')}</p>
            <div className="flex flex-wrap gap-1">
                <button className="act" disabled={!may} onClick={() => session.hangSetup(setup, figure, { kind: 'material', id })}>
                    Hang it on {material}
                </button>
                <button className="act" disabled={!may} onClick={() => session.hangSetup(setup, figure, { kind: 'figure', id: figure })}>
                    on all of {target.figureName}
                </button>
                {setup.id > 0 && (
                    <button className="act" disabled={!may} onClick={() => change(api.deleteSetup(series, setup.id, randomId(20)))}>
                        Delete it
                    </button>
                )}
            </div>
            <div className="flex gap-1">
                <input
                    className="field min-w-0 flex-1"
                    aria-label="Name of a new setup"
                    placeholder="Lantern glass"
                    maxLength={80}
                    value={name}
                    disabled={!may || passes.length === 0}
                    onChange={(event) => setName(event.target.value)}
                    onKeyDown={(event) => event.key === 'Enter' && keep()}
                />
                <button className="act" disabled={!may || name.trim() === '' || passes.length === 0} onClick={keep}>
                    Keep these passes
                </button>
            </div>
        </>
    );
}
