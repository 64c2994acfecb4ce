/** A number that can be typed; what is half typed waits until it is one within bounds. */
import { useState } from 'react';

interface Props {
    label: string;
    value: number;
    least: number;
    most: number;
    step?: number;
    disabled?: boolean;
    className?: string;
    onChange: (value: number) => void;
}

export function NumberField({
    label,
    value,
    least,
    most,
    step = 1,
    disabled = false,
    className = 'w-24',
    onChange,
}: Props) {
    const [typed, setTyped] = useState<string | null>(null);
    const take = (text: string): void => {
        setTyped(text);
        const number = Number(text);
        if (text.trim() !== '' && number >= least && number <= most) onChange(number);
    };
    return (
        <label className="flex flex-col gap-0.5 text-[13px]">
            <span className="quiet">{label}</span>
            <input
                type="number"
                className={`field figures ${className}`}
                min={least}
                max={most}
                step={step}
                value={typed ?? String(value)}
                disabled={disabled}
                onChange={(event) => take(event.target.value)}
                onBlur={() => setTyped(null)}
            />
        </label>
    );
}
