/** Who works on a series, and as what. */
import { useState } from 'react';
import { api } from '../api/client';
import { ROLES, type InvitationLink, type Role, type SeriesState } from '../api/generated';
import { Field, Form, useAsking } from '../ui/Form';

interface Props {
    series: SeriesState;
    onChange: () => Promise<void>;
}

export function PeoplePart({ series, onChange }: Props) {
    const { error, ask } = useAsking();
    const remove = (person: number): void =>
        void ask(async () => {
            await api.removeMember(series.id, person);
            await onChange();
        });
    return (
        <section aria-label="People">
            <h2 className="heading mb-2 text-base">People</h2>
            <ul>
                {series.people.map((person) => (
                    <li key={person.id} className="flex items-center gap-2 py-0.5">
                        <span className="truncate" title={person.name}>
                            {person.name}
                        </span>
                        <span className="quiet">{person.role}</span>
                        {series.role === 'owner' && (
                            <button
                                className="bare quiet ml-auto"
                                aria-label={`Remove ${person.name}`}
                                onClick={() => remove(person.id)}
                            >
                                Remove
                            </button>
                        )}
                    </li>
                ))}
            </ul>
            {error !== null && (
                <p role="alert" className="mt-1 text-error">
                    {error.message}
                </p>
            )}
            {series.role === 'owner' && <AddPerson series={series} onChange={onChange} />}
            {series.role === 'owner' && <InvitePerson series={series} />}
        </section>
    );
}

function InvitePerson({ series }: { series: SeriesState }) {
    const [role, setRole] = useState<Role>('colourist');
    const [made, setMade] = useState<InvitationLink | null>(null);
    const { isBusy, error, ask } = useAsking();
    const invite = (): void => void ask(async () => setMade(await api.invite(series.id, role)));
    return (
        <div className="mt-4 flex flex-col gap-2">
            <p className="quiet">Somebody who has no account yet joins by a link:</p>
            <div className="flex items-end gap-2">
                <RoleChoice label="To join as" value={role} onChange={setRole} />
                <button className="act" disabled={isBusy} onClick={invite}>
                    Make a link
                </button>
            </div>
            {error !== null && (
                <p role="alert" className="text-error">
                    {error.message}
                </p>
            )}
            {made !== null && (
                <label className="flex flex-col gap-1">
                    <span className="quiet">Send them this. It works once, for {made.days} days.</span>
                    <input className="field" readOnly value={made.link} onFocus={(event) => event.target.select()} />
                </label>
            )}
        </div>
    );
}

function RoleChoice({ label, value, onChange }: { label: string; value: Role; onChange: (role: Role) => void }) {
    return (
        <label className="flex flex-col gap-1">
            <span className="quiet">{label}</span>
            <select className="field" value={value} onChange={(event) => onChange(event.target.value as Role)}>
                {ROLES.map((one) => (
                    <option key={one}>{one}</option>
                ))}
            </select>
        </label>
    );
}

function AddPerson({ series, onChange }: Props) {
    const [email, setEmail] = useState('');
    const [role, setRole] = useState<Role>('colourist');
    const { isBusy, of, ask } = useAsking();
    const add = (): void =>
        void ask(async () => {
            await api.addMember(series.id, email, role);
            setEmail('');
            await onChange();
        });
    return (
        <Form className="mt-3 flex flex-wrap items-end gap-2" onSubmit={add}>
            <Field
                label="E-mail address"
                className="w-44"
                type="email"
                value={email}
                onChange={setEmail}
                error={of('email') ?? of('role', true)}
            />
            <RoleChoice label="Part in the series" value={role} onChange={setRole} />
            <button className="act" disabled={isBusy}>
                Add
            </button>
        </Form>
    );
}
