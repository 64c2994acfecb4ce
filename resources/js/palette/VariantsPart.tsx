/** Variants of the palette for the same cast: wet, by night, ill. What one does not say comes from the palette. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { seriesOutbox } from '../page/seriesOutbox';
import { api } from '../api/client';
import type { SeriesOpInput } from '../api/seriesOps';
import type { MaterialState, VariantMaterial, VariantState } from '../api/generated';
import { OneLineForm } from '../ui/Form';
import { Ramp } from '../ui/Ramp';
import { NameField } from './NameField';
import { Wardrobe } from './Wardrobe';
import { materialOf, type PaletteDesk } from './usePalette';

type VariantChange = Omit<SeriesOpInput<'variant.change'>, 'variant' | 'version'>;

export function VariantsPart({ desk }: { desk: PaletteDesk }) {
    const client = useQueryClient();
    const [chosen, choose] = useState<number | null>(null);
    const series = desk.overview?.id ?? 0;
    const outbox = seriesOutbox(series);
    const may = desk.overview?.mayColour === true;
    const { data } = useQuery({
        queryKey: ['variants', series, desk.overview?.palette.version],
        queryFn: () => api.variants(series),
        placeholderData: (before) => before,
    });
    const variant = data?.variants.find(({ id }) => id === chosen) ?? data?.variants[0] ?? null;
    const { showVariant } = desk;
    useEffect(() => {
        showVariant(variant);
        return () => showVariant(null);
    }, [showVariant, variant]);
    if (data === undefined) return <p className="quiet">Looking …</p>;
    const ask = async (work: () => Promise<unknown>): Promise<void> => {
        await desk.ask(work);
        await client.invalidateQueries({ queryKey: ['variants', series] });
    };
    const change = (values: VariantChange): void => {
        if (variant === null) return;
        const { id, version } = variant;
        void ask(() => outbox.apply('variant.change', { variant: id, version, ...values }));
    };
    return (
        <div className="flex flex-col gap-4">
            {may && (
                <OneLineForm
                    label="Add a variant"
                    field="name"
                    button="Add"
                    placeholder="Wet, night clothes, ill"
                    maxLength={80}
                    className=""
                    onAdd={(name) => ask(() => outbox.apply('variant.add', { name }))}
                />
            )}
            {variant === null && <p>No variants yet. One says only what is different, for the pages that wear it.</p>}
            <div className="flex flex-wrap gap-2">
                {data.variants.map((one) => (
                    <button
                        key={one.id}
                        className="act"
                        aria-pressed={one.id === variant?.id}
                        onClick={() => choose(one.id)}
                    >
                        {one.name}
                    </button>
                ))}
            </div>
            {variant !== null && (
                <Variant key={variant.id} desk={desk} variant={variant} disabled={!may} onChange={change} />
            )}
            {data.variants.length > 0 && (
                <Wardrobe
                    title="Which variant each page uses"
                    what="Variant"
                    none="the palette"
                    pages={data.pages.map((page) => ({ ...page, choice: page.variant }))}
                    choices={data.variants}
                    disabled={!may}
                    onChoose={(page, id) => void ask(() => outbox.apply('page.variant', { of: page, variant: id }))}
                />
            )}
        </div>
    );
}

interface VariantProps {
    desk: PaletteDesk;
    variant: VariantState;
    disabled: boolean;
    onChange: (change: VariantChange) => void;
}

function Variant({ desk, variant, disabled, onChange }: VariantProps) {
    const materials = Object.keys(variant.materials).map(Number);
    return (
        <section aria-label={variant.name} className="flex flex-col gap-3">
            {!disabled && (
                <div className="flex items-end gap-3">
                    <NameField name={variant.name} onRename={(name) => onChange({ name })} />
                    <button className="act" onClick={() => onChange({ retire: true })}>
                        Delete it
                    </button>
                </div>
            )}
            <Difference desk={desk} variant={variant} disabled={disabled} onChange={onChange} />
            <ul className="text-[13px]">
                {materials.map((id) => (
                    <Compared key={id} material={materialOf(desk.figures, id)} variant={variant.materials[id]} />
                ))}
            </ul>
        </section>
    );
}

/** Another colour for the tone that is picked at the left. */
function Difference({ desk, variant, disabled, onChange }: VariantProps) {
    const material = materialOf(desk.figures, desk.picked?.material);
    const tone = desk.picked?.tone;
    if (material === undefined || tone === undefined)
        return <p className="quiet">Pick a tone at the left to give it another colour in {variant.name}.</p>;
    const there = variant.materials[material.id];
    const isOwn = there?.own.includes(tone) ?? false;
    const now = there?.tones[tone] ?? material.tones[tone];
    const set = (colour: string | null): void => onChange({ material: material.id, tones: { [tone]: colour } });
    return (
        <div className="flex items-center gap-3">
            <span className="min-w-0 flex-1 truncate">
                {material.name} › {tone}
            </span>
            <span
                className="h-8 w-12"
                title={`In the palette ${material.tones[tone]}`}
                style={{ background: material.tones[tone] }}
            />
            <Pick
                key={`${material.id} ${tone} ${now}`}
                label={`${tone} in ${variant.name}`}
                colour={now}
                disabled={disabled}
                onPick={set}
            />
            <button className="act narrow" disabled={disabled || !isOwn} onClick={() => set(null)}>
                As the palette
            </button>
        </div>
    );
}

interface PickProps {
    label: string;
    colour: string;
    disabled: boolean;
    onPick: (colour: string) => void;
}

function Pick({ label, colour, disabled, onPick }: PickProps) {
    const [now, setNow] = useState(colour);
    return (
        <input
            type="color"
            className="h-8 w-12"
            aria-label={label}
            value={now}
            disabled={disabled}
            onChange={(event) => setNow(event.target.value)}
            onBlur={() => now !== colour && onPick(now)}
        />
    );
}

function Compared({ material, variant }: { material: MaterialState | undefined; variant: VariantMaterial }) {
    if (material === undefined) return null;
    return (
        <li className="flex items-center gap-2 py-0.5">
            <span className="min-w-0 flex-1 truncate">{material.name}</span>
            <Ramp tones={material.tones} size="h-5 w-6" />
            <span aria-label="becomes">→</span>
            <Ramp tones={variant.tones} size="h-5 w-6" />
        </li>
    );
}
