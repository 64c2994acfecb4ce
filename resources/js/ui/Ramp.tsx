/** A material's tones from dark to light, then its line, as they lie beside each other. */
import type { Tone } from '../api/generated';
import { SIX } from '../api/tones';

interface Props {
    tones: Record<Tone, string>;
    /** Height and width of a tone. */
    size: string;
    /** Of the line, where it stands apart. */
    line?: string;
}

export function Ramp({ tones, size, line = size }: Props) {
    return (
        <span className="flex">
            {SIX.map((tone) => (
                <span
                    key={tone}
                    title={`${tone} ${tones[tone]}`}
                    className={tone === 'line' ? line : size}
                    style={{ background: tones[tone] }}
                />
            ))}
        </span>
    );
}
