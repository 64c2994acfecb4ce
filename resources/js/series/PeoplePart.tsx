/** Who works on a series, and as what. */
import { useState } from 'react';
import { api } from '../api/client';
import { ROLES, type Role, type SeriesState } from '../api/generated';
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
                            <button className="bare quiet ml-auto" aria-label={`Remove ${person.name}`} onClick={() => remove(person.id)}>
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
        </section>
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
            <label className="flex flex-col gap-1">
                <span className="quiet">Part in the series</span>
                <select className="field" value={role} onChange={(event) => setRole(event.target.value as Role)}>
                    {ROLES.map((one) => (
                        <option key={one}>{one}</option>
                    ))}
                </select>
            </label>
            <button className="act" disabled={isBusy}>
                Add
            </button>
        </Form>
    );
}
