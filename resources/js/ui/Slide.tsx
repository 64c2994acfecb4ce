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
    room = 5,
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
    /** Characters its value takes at the most, where it is not wide. */
    room?: number;
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
                className={`slide ${wide ? 'min-w-0 flex-1' : 'w-[50px]'}`}
                min={least}
                max={most}
                value={value}
                disabled={disabled}
                aria-valuetext={shown}
                onChange={(event) => onChange(Number(event.target.value))}
                onPointerUp={settle}
                onKeyUp={settle}
            />
            <span
                className={`figures text-right ${wide ? 'w-11' : ''}`}
                style={wide ? undefined : { width: `${room}ch` }}
            >
                {shown}
            </span>
        </label>
    );
}
