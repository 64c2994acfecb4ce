import type { ReactNode } from 'react';

interface Props {
    checked: boolean;
    disabled?: boolean;
    className?: string;
    /** What more there is to say, while the pointer rests on it. */
    title?: string;
    onChange: (checked: boolean) => void;
    children: ReactNode;
}

/** A box to tick, with what it means after it. */
export function Tick({ checked, disabled = false, className = '', title, onChange, children }: Props) {
    return (
        <label className={`flex items-center gap-2 ${className}`} title={title}>
            <input
                type="checkbox"
                className="checkbox checkbox-sm"
                disabled={disabled}
                checked={checked}
                onChange={(event) => onChange(event.target.checked)}
            />
            {children}
        </label>
    );
}
