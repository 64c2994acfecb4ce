/** The blend modes; the page shows the one under the pointer, or the focus, before it is picked. */
import { useState } from 'react';
import { BLEND_MODES, type BlendMode } from '../../../api/generated';

interface Props {
    value: BlendMode;
    disabled: boolean;
    /** Shows what a mode would do. */
    onTry: (mode: BlendMode) => void;
    onChange: (mode: BlendMode) => void;
}

export function ModeSelect({ value, disabled, onTry, onChange }: Props) {
    /** What it was when the list was opened; null: the list is shut. */
    const [was, setWas] = useState<BlendMode | null>(null);
    const close = (): void => {
        if (was !== null) onTry(was);
        setWas(null);
    };
    const choose = (mode: BlendMode): void => {
        setWas(null);
        onChange(mode);
    };
    return (
        <div className="flex flex-col gap-1.5">
            <button
                className="act self-start"
                aria-expanded={was !== null}
                aria-haspopup="listbox"
                disabled={disabled}
                onClick={() => (was === null ? setWas(value) : close())}
            >
                Blend: {value}
            </button>
            {was !== null && (
                <ul
                    role="listbox"
                    aria-label="Blend"
                    className="grid grid-cols-2"
                    onPointerLeave={() => onTry(was)}
                    onKeyDown={(event) => event.key === 'Escape' && close()}
                >
                    {BLEND_MODES.map((mode) => (
                        <li key={mode} role="option" aria-selected={mode === was}>
                            <button
                                className={`bare w-full px-1 text-left ${mode === was ? 'stripe-side' : ''}`}
                                onPointerEnter={() => onTry(mode)}
                                onFocus={() => onTry(mode)}
                                onClick={() => choose(mode)}
                            >
                                {mode}
                            </button>
                        </li>
                    ))}
                </ul>
            )}
        </div>
    );
}
