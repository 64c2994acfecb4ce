/** The same colour as text: six hexadecimal digits, red green blue, or L*a*b*; what is half typed waits. */
import { useState } from 'react';
import { ofLab, toLab } from '../picture/cielab';
import { hexOf } from '../picture/oklch';
import type { Colour } from '../picture/colour';

interface Props {
    colour: Colour;
    disabled: boolean;
    onTake: (colour: Colour) => void;
}

export function ColourEntry({ colour, disabled, onTake }: Props) {
    const rgb = [colour >> 16, (colour >> 8) & 255, colour & 255];
    return (
        <div className="flex flex-wrap gap-3">
            <Entry label="Hex" width="w-24" value={hexOf(colour)} disabled={disabled} read={readHex} onTake={onTake} />
            <Entry
                label="Red, green, blue"
                width="w-32"
                value={rgb.join(', ')}
                disabled={disabled}
                read={readRgb}
                onTake={onTake}
            />
            <Entry
                label="L* a* b* (D50)"
                width="w-36"
                value={toLab(colour)
                    .map((part) => part.toFixed(1).replace('-0.0', '0.0'))
                    .join(', ')}
                disabled={disabled}
                read={readLab}
                onTake={onTake}
            />
        </div>
    );
}

interface EntryProps {
    label: string;
    width: string;
    value: string;
    disabled: boolean;
    read: (text: string) => Colour | null;
    onTake: (colour: Colour) => void;
}

function Entry({ label, width, value, disabled, read, onTake }: EntryProps) {
    const [typed, setTyped] = useState<string | null>(null);
    const isWrong = typed !== null && read(typed) === null;
    const leave = (): void => {
        const colour = typed === null ? null : read(typed);
        setTyped(null);
        if (colour !== null && typed !== value) onTake(colour);
    };
    return (
        <label className="flex flex-col gap-0.5 text-[13px]">
            <span className="quiet">{label}</span>
            <input
                className={`field figures ${width}`}
                value={typed ?? value}
                disabled={disabled}
                aria-invalid={isWrong}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={leave}
                onKeyDown={(event) => event.key === 'Enter' && leave()}
            />
        </label>
    );
}

function readHex(text: string): Colour | null {
    const match = /^\s*#?([0-9a-f]{6})\s*$/i.exec(text);
    return match === null ? null : parseInt(match[1], 16);
}

function numbers(text: string): number[] | null {
    const parts = text.split(/[\s,;]+/).filter((part) => part !== '');
    const read = parts.map(Number);
    return read.length === 3 && read.every(Number.isFinite) ? read : null;
}

function readRgb(text: string): Colour | null {
    const parts = numbers(text);
    if (parts === null || parts.some((part) => part < 0 || part > 255 || !Number.isInteger(part))) return null;
    return parts[0] * 65536 + parts[1] * 256 + parts[2];
}

function readLab(text: string): Colour | null {
    const parts = numbers(text);
    if (parts === null || parts[0] < 0 || parts[0] > 100 || Math.abs(parts[1]) > 128 || Math.abs(parts[2]) > 128)
        return null;
    return ofLab([parts[0], parts[1], parts[2]]);
}
