/** Which light plan and which variant of the palette the page's mood brings, so that derived tones turn with it. */
import { bringWithMood } from '../../../page/ops/passes/bringWithMood';
import { broughtOf } from '../../../page/ops/passes/moodLayers';
import { mayColour } from '../../../page/store';
import { Choice } from '../../../ui/Choice';
import { usePage, useSession } from '../../model/context';

const OWN = '';

interface Named {
    id: number;
    name: string;
}

export function MoodBrings() {
    const session = useSession();
    const may = usePage(mayColour);
    const lights = usePage((view) => view.palette.lights);
    const variants = usePage((view) => view.palette.variants).filter(({ id }) => id > 0);
    const { plan: planId, variant: variantId } = broughtOf(usePage((view) => view.records));
    const plan = lights.find(({ id }) => id === planId)?.id ?? null;
    const variant = variants.find(({ id }) => id === variantId)?.id ?? null;
    const bring = (change: { plan: number | null } | { variant: number | null }): void =>
        session.apply(bringWithMood({ plan, variant, ...change }));
    return (
        <div className="flex flex-col gap-1">
            <p className="quiet text-[13px]">
                Derived tones are shown under these while the page is shown in its mood.
            </p>
            <OneOf label="Light plan" of={lights} value={plan} disabled={!may} onChange={(id) => bring({ plan: id })} />
            <OneOf
                label="Palette variant"
                of={variants}
                value={variant}
                disabled={!may}
                onChange={(id) => bring({ variant: id })}
            />
        </div>
    );
}

interface OneOfProps {
    label: string;
    of: Named[];
    value: number | null;
    disabled: boolean;
    onChange: (id: number | null) => void;
}

function OneOf({ label, of, value, disabled, onChange }: OneOfProps) {
    const names = Object.fromEntries([
        [OWN, 'the page’s own'],
        ...of.map(({ id, name }) => [String(id), name]),
    ]) as Record<string, string>;
    return (
        <Choice
            label={label}
            value={value === null ? OWN : String(value)}
            options={[OWN, ...of.map(({ id }) => String(id))]}
            names={names}
            disabled={disabled}
            onChange={(id) => onChange(id === OWN ? null : Number(id))}
        />
    );
}
