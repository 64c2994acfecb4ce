/** A slider with its name before it and its value after it. */
export function Slide({
    label,
    value,
    least = 0,
    most,
    shown,
    disabled = false,
    wide = false,
    title,
    onChange,
    onSettle,
}: {
    label: string;
    value: number;
    least?: number;
    most: number;
    shown: string;
    disabled?: boolean;
    wide?: boolean;
    /** What it does, for whoever waits over it. */
    title?: string;
    onChange: (value: number) => void;
    /** The hand let go, or the key went up. */
    onSettle?: (value: number) => void;
}) {
    const settle = (event: { currentTarget: HTMLInputElement }): void => onSettle?.(Number(event.currentTarget.value));
    return (
        <label className={`flex items-center gap-1 text-[13px] ${wide ? 'w-full min-w-0' : ''}`} title={title}>
            {/* Wide ones stand under each other: their tracks begin together. */}
            <span className={wide ? 'min-w-12' : ''}>{label}</span>
            <input
                type="range"
                className={`slide ${wide ? 'min-w-0 flex-1' : 'w-[56px]'}`}
                min={least}
                max={most}
                value={value}
                disabled={disabled}
                aria-valuetext={shown}
                onChange={(event) => onChange(Number(event.target.value))}
                onPointerUp={settle}
                onKeyUp={settle}
            />
            <span className="figures w-11 text-right">{shown}</span>
        </label>
    );
}
