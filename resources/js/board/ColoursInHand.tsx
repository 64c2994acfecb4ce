/** The colours that were picked, in one row, and what the last of them can be used for. */
import type { Board } from './useBoard';

export interface ColourUse {
    label: string;
    with: (colour: string) => void;
}

export function ColoursInHand({ board, use }: { board: Board; use: ColourUse | null }) {
    const last = board.colours.at(-1);
    if (last === undefined) return null;
    return (
        <div className="rule-t flex shrink-0 items-center gap-2 p-1.5">
            <span className="flex">
                {board.colours.map((colour) => (
                    <button
                        key={colour}
                        className="h-7 w-7"
                        style={{ background: colour }}
                        aria-label={`Take ${colour} in the hand`}
                        title={colour}
                        onClick={() => board.pick(colour)}
                    />
                ))}
            </span>
            <span className="figures">{last}</span>
            {use !== null && <UseLast use={use} colour={last} />}
        </div>
    );
}

export function UseLast({ use, colour }: { use: ColourUse; colour: string }) {
    return (
        <button className="act narrow self-start" onClick={() => use.with(colour)}>
            <span className="h-4 w-4" style={{ background: colour }} /> {use.label}
        </button>
    );
}
