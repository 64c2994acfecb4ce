/** What can be done with a whole material: its name, whose it is, a second one, another in its place. */
import { useState } from 'react';
import type { MaterialState } from '../api/generated';
import { MoreTones } from './MoreTones';
import { NameField } from './NameField';
import { ReplacePart } from './ReplacePart';
import type { PaletteDesk } from './usePalette';

interface Props {
    desk: PaletteDesk;
    material: MaterialState;
}

export function MaterialPart({ desk, material }: Props) {
    const rename = (name: string): void => void desk.change('material.change', material, { name });
    const move = (figure: number): void => void desk.change('material.change', material, { figure });
    return (
        <section aria-label="The material" className="rule-t flex flex-col gap-3 pt-3 text-[13px]">
            <h3 className="heading">The material</h3>
            <div className="flex flex-wrap items-end gap-3">
                <NameField name={material.name} onRename={rename} />
                <label className="flex flex-col gap-0.5">
                    <span className="quiet">Figure</span>
                    <select
                        className="field"
                        value={material.figure}
                        onChange={(event) => move(Number(event.target.value))}
                    >
                        {desk.figures.map((figure) => (
                            <option key={figure.id} value={figure.id}>
                                {figure.name}
                            </option>
                        ))}
                    </select>
                </label>
                <button
                    className="act"
                    onClick={() => void desk.apply('material.duplicate', { material: material.id })}
                >
                    Duplicate
                </button>
            </div>
            <MoreTones desk={desk} material={material} />
            <ReplacePart desk={desk} material={material} />
            <Removal desk={desk} material={material} />
        </section>
    );
}

function Removal({ desk, material }: Props) {
    const [isOpen, setOpen] = useState(false);
    const [into, setInto] = useState('');
    const use = desk.overview?.uses[material.id];
    const used =
        use === undefined ? 'No page uses it.' : `${use.regions} regions on p. ${use.pages.join(', ')} use it.`;
    if (!isOpen)
        return (
            <button className="act self-start" onClick={() => setOpen(true)}>
                Delete or merge …
            </button>
        );
    return (
        <div className="flex flex-wrap items-end gap-3">
            <label className="flex flex-col gap-0.5">
                <span className="quiet">{used} In its place:</span>
                <select className="field" value={into} onChange={(event) => setInto(event.target.value)}>
                    <option value="">Nothing: regions become unfilled</option>
                    {desk.figures.flatMap((figure) =>
                        figure.materials
                            .filter(({ id }) => id !== material.id)
                            .map(({ id, name }) => (
                                <option key={id} value={id}>
                                    {figure.name}, {name}
                                </option>
                            )),
                    )}
                </select>
            </label>
            <button
                className="act"
                onClick={() =>
                    void desk.change('material.retire', material, { into: into === '' ? null : Number(into) })
                }
            >
                {into === '' ? 'Delete' : 'Merge'}
            </button>
            <button className="bare" onClick={() => setOpen(false)}>
                Keep it
            </button>
        </div>
    );
}
