import { useCallback, useEffect, useState } from 'react';
import { api } from '../api/client';
import type { Role, SeriesState } from '../api/types';
import { go, Link } from '../ui/path';
import { ThemeSwitch } from '../ui/theme';
import { PagePicture, progressOf } from './PagePicture';

export function SeriesPage({ id }: { id: number }) {
    const [series, setSeries] = useState<SeriesState | null>(null);
    const [error, setError] = useState<string | null>(null);
    const load = useCallback(() => {
        api.series(id).then((state) => {
            setSeries(state);
            document.title = `${state.name} · Awning`;
        }, (reason: Error) => setError(reason.message));
    }, [id]);
    useEffect(load, [load]);
    if (error !== null) return <p className="p-8" role="alert">{error} <Link className="underline" href="/">Back to the shelf</Link></p>;
    if (series === null) return null;
    const mayColour = series.role === 'owner' || series.role === 'colourist';
    return (
        <div className="mx-auto max-w-6xl p-6">
            <header className="rule-b mb-5 flex items-center gap-3 pb-3">
                <Link href="/" className="quiet hover:underline">Shelf</Link>
                <span className="quiet">/</span>
                <h1 className="heading text-xl">{series.name}</h1>
                <span className="quiet ml-auto">you are {series.role}</span>
                <ThemeSwitch />
            </header>
            <div className="grid grid-cols-[1fr_22rem] gap-8">
                <section aria-label="Pages">
                    <h2 className="heading mb-3 text-base">Pages</h2>
                    {series.pages.length === 0 && <p className="mb-3">No pages yet. Add the first one, then import its scan on the bench.</p>}
                    <ul className="grid grid-cols-3 gap-x-5 gap-y-6">
                        {series.pages.map((page) => (
                            <li key={page.id}>
                                <Link href={`/bench/${page.id}`} className="block" aria-label={`Page ${page.number}, ${page.title}`}>
                                    <PagePicture page={page} paletteVersion={series.palette.version} />
                                    <span className="heading mt-1 block">{page.number}. {page.title}</span>
                                    <span className="quiet block figures">{progressOf(page)}</span>
                                    {page.holder !== null && <span className="block text-primary">{page.holder} is working on it</span>}
                                </Link>
                            </li>
                        ))}
                    </ul>
                    {series.role !== 'viewer' && <AddLine label="Add a page" placeholder="What happens on it" onAdd={(title) => api.addPage(series.id, title).then((page) => go(`/bench/${page.id}`))} />}
                </section>
                <aside className="flex flex-col gap-8">
                    <section aria-label="Palette">
                        <h2 className="heading mb-1 text-base">Palette</h2>
                        <p className="quiet mb-3">Deep, shade, base, light, glint, and the line. Change a tone on the bench and every page follows.</p>
                        {series.palette.figures.length === 0 && <p className="mb-3">No figures yet. Add one for each thing that must stay separate.</p>}
                        {series.palette.figures.map((figure) => (
                            <div key={figure.id} className="mb-3">
                                <h3 className="heading">{figure.name}</h3>
                                {figure.materials.map((material) => (
                                    <div key={material.id} className="flex items-center gap-2 py-[3px]">
                                        <span className="w-24 truncate">{material.name}</span>
                                        <span className="flex">
                                            {Object.entries(material.tones).map(([tone, colour]) => (
                                                <span key={tone} title={`${tone} ${colour}`} className={`h-5 ${tone === 'line' ? 'ml-1 w-3' : 'w-8'}`} style={{ background: colour }} />
                                            ))}
                                        </span>
                                    </div>
                                ))}
                                {mayColour && <AddMaterial figure={figure.name} onAdd={(name, base) => api.addMaterial(series.id, figure.id, name, base).then(load)} />}
                            </div>
                        ))}
                        {mayColour && <AddLine label="Add a figure" placeholder="Its name" onAdd={(name) => api.addFigure(series.id, name).then(load)} />}
                    </section>
                    <People series={series} onChange={load} />
                </aside>
            </div>
        </div>
    );
}

function AddLine({ label, placeholder, onAdd }: { label: string; placeholder: string; onAdd: (text: string) => Promise<unknown> }) {
    const [text, setText] = useState('');
    const [error, setError] = useState<string | null>(null);
    return (
        <form
            className="mt-5 flex flex-wrap items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                onAdd(text).then(() => setText(''), (reason: Error) => setError(reason.message));
            }}
        >
            <label className="flex flex-col gap-1"><span className="quiet">{label}</span><input className="field w-52" required maxLength={80} placeholder={placeholder} value={text} onChange={(e) => setText(e.target.value)} /></label>
            <button className="act">Add</button>
            {error !== null && <span role="alert" className="text-error">{error}</span>}
        </form>
    );
}

function AddMaterial({ figure, onAdd }: { figure: string; onAdd: (name: string, base: string) => Promise<unknown> }) {
    const [open, setOpen] = useState(false);
    const [name, setName] = useState('');
    const [base, setBase] = useState('#b08d6a');
    if (!open) return <button className="bare quiet" onClick={() => setOpen(true)}>Add a material to {figure}</button>;
    return (
        <form
            className="mt-1 flex items-center gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                void onAdd(name, base).then(() => setOpen(false));
            }}
        >
            <input className="field w-32" required maxLength={80} placeholder="Skin, wool, brass" aria-label="Name of the material" value={name} onChange={(e) => setName(e.target.value)} />
            <input type="color" aria-label="Base colour" className="h-8 w-10" value={base} onChange={(e) => setBase(e.target.value)} />
            <button className="act">Add</button>
        </form>
    );
}

function People({ series, onChange }: { series: SeriesState; onChange: () => void }) {
    const [email, setEmail] = useState('');
    const [role, setRole] = useState<Role>('colourist');
    const [error, setError] = useState<string | null>(null);
    const fail = (reason: Error): void => setError(reason.message);
    return (
        <section aria-label="People">
            <h2 className="heading mb-2 text-base">People</h2>
            <ul>
                {series.people.map((person) => (
                    <li key={person.id} className="flex items-center gap-2 py-0.5">
                        <span>{person.name}</span>
                        <span className="quiet">{person.role}</span>
                        {series.role === 'owner' && <button className="bare quiet ml-auto" onClick={() => void api.removeMember(series.id, person.id).then(onChange, fail)}>Remove</button>}
                    </li>
                ))}
            </ul>
            {series.role === 'owner' && (
                <form
                    className="mt-2 flex flex-wrap gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        api.addMember(series.id, email, role).then(() => {
                            setEmail('');
                            setError(null);
                            onChange();
                        }, fail);
                    }}
                >
                    <input className="field w-44" type="email" required placeholder="E-mail address" aria-label="E-mail address" value={email} onChange={(e) => setEmail(e.target.value)} />
                    <select className="field" aria-label="Part in the series" value={role} onChange={(e) => setRole(e.target.value as Role)}>
                        <option value="colourist">colourist</option><option value="flatter">flatter</option><option value="viewer">viewer</option><option value="owner">owner</option>
                    </select>
                    <button className="act">Add</button>
                </form>
            )}
            {error !== null && <p role="alert" className="mt-1 text-error">{error}</p>}
        </section>
    );
}
