/** The tones a material has beside its six: gems, lips and eyes need them. */
import type { MaterialState, NamedTone, Tone } from '../api/generated';
import { MORE } from '../api/tones';
import { OneLineForm } from '../ui/Form';
import { NameField } from './NameField';
import type { PaletteDesk } from './usePalette';

interface Props {
    desk: PaletteDesk;
    material: MaterialState;
}

export function MoreTones({ desk, material }: Props) {
    const now = material.more.map(({ tone, name }): NamedTone => ({ tone, name, colour: material.tones[tone] }));
    const free = MORE.find((tone) => !now.some((one) => one.tone === tone));
    const set = (more: NamedTone[]): Promise<boolean> => desk.change('tones.name', material, { more });
    const picked = desk.picked?.material === material.id ? desk.picked.tone : 'base';
    const rename = (tone: Tone, name: string): void =>
        void set(now.map((one) => (one.tone === tone ? { ...one, name } : one)));
    const swap = (at: number): void =>
        void set(now.map((one, i) => now[i === at ? at - 1 : i === at - 1 ? at : i] ?? one));
    return (
        <section aria-label="More tones" className="flex flex-col gap-2">
            <h3 className="heading">More tones</h3>
            {now.length === 0 && (
                <p className="quiet">Beside the six it may have four more of its own, like an inner lip or a facet.</p>
            )}
            <ul className="flex flex-col gap-1.5">
                {now.map(({ tone, name, colour }, at) => (
                    <li key={tone} className="flex items-end gap-2">
                        <button
                            className="h-8 w-12"
                            style={{ background: colour }}
                            aria-label={`Pick ${name}`}
                            onClick={() => desk.pick({ material: material.id, tone })}
                        />
                        <NameField name={name} onRename={(to) => rename(tone, to)} />
                        <button className="bare" disabled={at === 0} onClick={() => swap(at)}>
                            Earlier
                        </button>
                        <button className="bare" onClick={() => void set(now.filter((one) => one.tone !== tone))}>
                            Take out
                        </button>
                    </li>
                ))}
            </ul>
            {free !== undefined && (
                <OneLineForm
                    label="One more, from the tone that is picked"
                    field="more.0.name"
                    button="Add"
                    placeholder="Inner lip"
                    maxLength={40}
                    className=""
                    onAdd={async (name) => {
                        if (await set([...now, { tone: free, name, colour: material.tones[picked] }]))
                            desk.pick({ material: material.id, tone: free });
                    }}
                />
            )}
        </section>
    );
}
