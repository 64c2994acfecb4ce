/** One picture on the board: dragged, made larger by its corner, or asked for a colour. */
import { useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { api, type Arrangement } from '../api/client';
import type { ReferenceState } from '../api/generated';
import { hexOf } from '../picture/oklch';
import type { Board } from './useBoard';
import { heightOf, type BoardView } from './boardView';
import { sample } from './sample';
import { isReading } from './usePictures';

/** Pixels of the board that a key moves by, and times that it makes larger by. */
const NUDGE = 10;
const GROW = 1.1;
const NARROWEST = 40;
const CHOSEN = 'outline-2 outline-offset-2 outline-primary';

interface Props {
    board: Board;
    picture: ReferenceState;
    view: BoardView;
}

export function HungPicture({ board, picture, view }: Props) {
    const image = useRef<HTMLImageElement>(null);
    const drag = useDrag(board, picture, view.zoom);
    const isChosen = board.chosen?.id === picture.id;
    const press = (event: PointerEvent<HTMLElement>): void => {
        if (event.button !== 0) return;
        event.stopPropagation();
        board.choose(picture.id);
        if (board.hand === 'arrange') drag.begin(event, ({ x, y }) => ({ x: picture.x + x, y: picture.y + y }));
        else pick(board, picture, image.current, event);
    };
    const nudge = (event: KeyboardEvent): void => {
        const arrangement = byKey(event.key, picture);
        if (arrangement === null) return;
        event.preventDefault();
        void board.pictures.arrange(picture.id, arrangement);
    };
    return (
        <div
            className="absolute"
            style={{
                left: (picture.x - view.x) * view.zoom,
                top: (picture.y - view.y) * view.zoom,
                width: picture.across * view.zoom,
                height: heightOf(picture) * view.zoom,
            }}
        >
            <button
                className={`block h-full w-full touch-none ${board.hand === 'pick' ? 'cursor-crosshair' : 'cursor-grab'} ${isChosen ? CHOSEN : ''}`}
                aria-label={picture.name}
                aria-pressed={isChosen}
                onPointerDown={press}
                onPointerMove={drag.move}
                onPointerUp={drag.end}
                onFocus={() => board.choose(picture.id)}
                onKeyDown={nudge}
            >
                {picture.width === null ? (
                    <Waiting picture={picture} />
                ) : (
                    <Shown board={board} picture={picture} image={image} />
                )}
            </button>
            {isChosen && board.hand === 'arrange' && <Corner drag={drag} picture={picture} />}
        </div>
    );
}

function Shown({ board, picture, image }: Omit<Props, 'view'> & { image: RefObject<HTMLImageElement | null> }) {
    const { id, mirrored, grey } = picture;
    return (
        <img
            ref={image}
            src={api.pictureUrl(board.series, id)}
            alt=""
            draggable={false}
            className="h-full w-full select-none"
            style={{ transform: mirrored ? 'scaleX(-1)' : undefined, filter: grey ? 'grayscale(1)' : undefined }}
        />
    );
}

function Corner({ drag, picture }: { drag: Drag; picture: ReferenceState }) {
    const widen = (event: PointerEvent<HTMLElement>): void => {
        event.stopPropagation();
        drag.begin(event, ({ x }) => ({ across: Math.max(NARROWEST, picture.across + x) }));
    };
    return (
        <span
            className="absolute -right-2 -bottom-2 h-4 w-4 cursor-nwse-resize touch-none border-2 border-primary bg-base-100"
            title="Drag to make it larger or smaller"
            onPointerDown={widen}
            onPointerMove={drag.move}
            onPointerUp={drag.end}
        />
    );
}

function Waiting({ picture }: { picture: ReferenceState }) {
    return (
        <span className="flex h-full w-full items-center justify-center overflow-hidden bg-base-200 p-2 text-center">
            {isReading(picture) ? `Reading ${picture.name} …` : `${picture.name}: ${picture.trouble}`}
        </span>
    );
}

function byKey(key: string, { x, y, across }: ReferenceState): Arrangement | null {
    switch (key) {
        case 'ArrowLeft':
            return { x: x - NUDGE };
        case 'ArrowRight':
            return { x: x + NUDGE };
        case 'ArrowUp':
            return { y: y - NUDGE };
        case 'ArrowDown':
            return { y: y + NUDGE };
        case '+':
            return { across: across * GROW };
        case '-':
            return { across: Math.max(NARROWEST, across / GROW) };
        default:
            return null;
    }
}

/**
 * The colour under the pointer as the picture has it: turned back where it hangs mirrored, in colour where it hangs
 * grey.
 */
function pick(board: Board, picture: ReferenceState, image: HTMLImageElement | null, event: PointerEvent): void {
    if (image === null) return;
    const box = image.getBoundingClientRect();
    const right = (event.clientX - box.left) / box.width;
    const x = (picture.mirrored ? 1 - right : right) * image.naturalWidth;
    const y = ((event.clientY - box.top) / box.height) * image.naturalHeight;
    const colour = sample(image, x, y, Number(board.across));
    if (colour !== null) board.pick(hexOf(colour));
}

interface Drag {
    begin(event: PointerEvent<HTMLElement>, to: (by: { x: number; y: number }) => Arrangement): void;
    move(event: PointerEvent<HTMLElement>): void;
    end(): void;
}

/** The hand moves or widens a picture; it is kept when the hand lets go. */
function useDrag({ pictures }: Board, { id }: ReferenceState, zoom: number): Drag {
    const going = useRef<{ x: number; y: number; to: Parameters<Drag['begin']>[1]; last: Arrangement | null } | null>(
        null,
    );
    return {
        begin(event, to) {
            event.currentTarget.setPointerCapture(event.pointerId);
            going.current = { x: event.clientX, y: event.clientY, to, last: null };
        },
        move(event) {
            if (going.current === null) return;
            const { x, y, to } = going.current;
            going.current.last = to({ x: (event.clientX - x) / zoom, y: (event.clientY - y) / zoom });
            pictures.show(id, going.current.last);
        },
        end() {
            const last = going.current?.last ?? null;
            going.current = null;
            if (last !== null) void pictures.arrange(id, last);
        },
    };
}
