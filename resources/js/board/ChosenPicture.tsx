/** The picture that is chosen: how it hangs, and its main colours. */
import { useState } from 'react';
import type { ReferenceState } from '../api/generated';
import { Slide } from '../ui/Slide';
import { Tick } from '../ui/Tick';
import { FEWEST_COLOURS, MOST_COLOURS } from './limits';
import { isReading } from './usePictures';
import type { Board } from './useBoard';

const AT_FIRST = 6;

export function ChosenPicture({ board, mayHang }: { board: Board; mayHang: boolean }) {
    const [count, setCount] = useState(AT_FIRST);
    const picture = board.chosen;
    if (picture === null) return <p className="quiet">Press a picture to see its main colours.</p>;
    return (
        <section aria-label="The chosen picture" className="flex flex-col gap-2">
            <h2 className="heading truncate" title={picture.name}>
                {picture.name}
            </h2>
            {mayHang && <Hanging key={picture.id} board={board} picture={picture} />}
            {isReading(picture) && <p>Its colours are being found …</p>}
            {picture.trouble !== null && <p role="alert">{picture.trouble}</p>}
            {picture.width !== null && (
                <>
                    <Slide
                        label="Main colours"
                        value={count}
                        least={FEWEST_COLOURS}
                        most={MOST_COLOURS}
                        shown={String(count)}
                        wide
                        onChange={setCount}
                    />
                    <MainColours board={board} colours={picture.colours[count] ?? []} />
                </>
            )}
        </section>
    );
}

function Hanging({ board: { pictures }, picture: { id, mirrored, grey } }: { board: Board; picture: ReferenceState }) {
    const [isAsked, setAsked] = useState(false);
    return (
        <div className="flex flex-wrap items-center gap-3">
            <Tick checked={mirrored} onChange={(value) => void pictures.arrange(id, { mirrored: value })}>
                mirrored
            </Tick>
            <Tick checked={grey} onChange={(value) => void pictures.arrange(id, { grey: value })}>
                grey
            </Tick>
            <button className="bare ml-auto" onClick={() => (isAsked ? void pictures.takeAway(id) : setAsked(true))}>
                {isAsked ? 'Really remove it' : 'Remove'}
            </button>
        </div>
    );
}

/** As wide as their share; a press picks one. */
function MainColours({ board, colours }: { board: Board; colours: ReferenceState['colours'][number] }) {
    return (
        <>
            <div className="flex h-10">
                {colours.map(({ colour, share }) => (
                    <button
                        key={colour}
                        className="h-full min-w-2"
                        style={{ background: colour, flexGrow: share }}
                        aria-label={`Pick ${colour}, ${Math.round(100 * share)} %`}
                        title={`${colour}, ${Math.round(100 * share)} %`}
                        onClick={() => board.pick(colour)}
                    />
                ))}
            </div>
            <button
                className="act narrow self-start"
                onClick={() => board.setColours(colours.map(({ colour }) => colour))}
            >
                Pick all of these
            </button>
        </>
    );
}
