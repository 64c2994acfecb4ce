/** The palette of a series, and what can be added to it. */
import { useState } from 'react';
import { Link } from 'react-router';
import { seriesOutbox } from '../page/seriesOutbox';
import type { FigureState, MaterialState, SeriesState } from '../api/generated';
import { Ramp } from '../ui/Ramp';
import { Field, Form, OneLineForm, useAsking } from '../ui/Form';

interface Props {
    series: SeriesState;
    onChange: () => Promise<void>;
}

const FIRST_COLOUR = '#b08d6a';

export function PalettePart({ series, onChange }: Props) {
    const mayColour = series.role === 'owner' || series.role === 'colourist';
    const { figures } = series.palette;
    return (
        <section aria-label="Palette">
            <h2 className="heading mb-1 text-base">Palette</h2>
            <p className="quiet mb-2">
                Deep, shade, base, light, glint, and the line. Change a tone and every page follows.
            </p>
            <Link className="act mb-3" to={`/palette/${series.id}`}>
                Open the palette
            </Link>
            {figures.length === 0 && (
                <p className="mb-3">No figures yet. Add one for each thing that must stay separate.</p>
            )}
            {figures.map((figure) => (
                <FigurePart key={figure.id} series={series} figure={figure} mayColour={mayColour} onChange={onChange} />
            ))}
            {mayColour && <AddFigure series={series} onChange={onChange} />}
        </section>
    );
}

function FigurePart({ series, figure, mayColour, onChange }: Props & { figure: FigureState; mayColour: boolean }) {
    return (
        <div className="mb-3">
            <h3 className="heading truncate" title={figure.name}>
                {figure.name}
            </h3>
            {figure.materials.map((material) => (
                <Strip key={material.id} material={material} />
            ))}
            {mayColour && <AddMaterial series={series} figure={figure} onChange={onChange} />}
        </div>
    );
}

function Strip({ material }: { material: MaterialState }) {
    return (
        <div className="flex items-center gap-2 py-[3px]">
            <span className="w-24 truncate" title={material.name}>
                {material.name}
            </span>
            <Ramp tones={material.tones} size="h-5 w-8" line="ml-1 h-5 w-3" />
        </div>
    );
}

function AddFigure({ series, onChange }: Props) {
    const add = async (name: string): Promise<void> => {
        await seriesOutbox(series.id).apply('figure.add', { name });
        await onChange();
    };
    return (
        <OneLineForm
            label="Add a figure"
            field="name"
            button="Add"
            placeholder="Its name"
            maxLength={80}
            className="mt-5"
            onAdd={add}
        />
    );
}

function AddMaterial({ series, figure, onChange }: Props & { figure: FigureState }) {
    const [isOpen, setOpen] = useState(false);
    const [name, setName] = useState('');
    const [base, setBase] = useState(FIRST_COLOUR);
    const { isBusy, of, ask } = useAsking();
    const add = (): void =>
        void ask(async () => {
            await seriesOutbox(series.id).apply('material.add', { figure: figure.id, name, base });
            setName('');
            setOpen(false);
            await onChange();
        });
    if (!isOpen) {
        return (
            <button className="bare quiet -ml-1.5 max-w-full truncate" onClick={() => setOpen(true)}>
                Add a material to {figure.name}
            </button>
        );
    }
    return (
        <Form className="mt-1 flex items-end gap-2" onSubmit={add}>
            <Field
                label="Name of the material"
                className="w-36"
                maxLength={80}
                placeholder="Skin, wool, brass"
                value={name}
                onChange={setName}
                error={of('name', true)}
            />
            <label className="flex flex-col gap-1">
                <span className="quiet">Base</span>
                <input
                    type="color"
                    className="h-8 w-10"
                    value={base}
                    onChange={(event) => setBase(event.target.value)}
                />
            </label>
            <button className="act" disabled={isBusy}>
                Add
            </button>
        </Form>
    );
}
