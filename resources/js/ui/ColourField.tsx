/** A colour that is chosen: shown while it changes, taken when it is left. */
interface Props {
    label: string;
    value: string;
    disabled?: boolean;
    onChange: (value: string) => void;
    onSettle?: (value: string) => void;
}

export function ColourField({ label, value, disabled = false, onChange, onSettle }: Props) {
    return (
        <input
            type="color"
            aria-label={label}
            className="h-8 w-10 shrink-0"
            value={value}
            disabled={disabled}
            onChange={(event) => onChange(event.target.value)}
            onBlur={(event) => onSettle?.(event.target.value)}
        />
    );
}
