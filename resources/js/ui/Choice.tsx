/** One of a few, chosen from a list that opens. */
interface Props<T extends string> {
    label: string;
    /** Only for those who cannot see what it is by where it stands. */
    isLabelHidden?: boolean;
    value: T;
    options: readonly T[];
    names: Record<T, string>;
    disabled?: boolean;
    className?: string;
    onChange: (value: T) => void;
}

export function Choice<T extends string>({
    label,
    isLabelHidden = false,
    value,
    options,
    names,
    disabled = false,
    className = '',
    onChange,
}: Props<T>) {
    const choose = (chosen: string): void => {
        const option = options.find((one) => one === chosen);
        if (option !== undefined) onChange(option);
    };
    const list = (
        <select
            className={`field ${className}`}
            aria-label={label}
            value={value}
            disabled={disabled}
            onChange={(event) => choose(event.target.value)}
        >
            {options.map((option) => (
                <option key={option} value={option}>
                    {names[option]}
                </option>
            ))}
        </select>
    );
    if (isLabelHidden) return list;
    return (
        <label className="flex flex-col gap-0.5">
            <span className="quiet">{label}</span>
            {list}
        </label>
    );
}
