/**
 * The board itself: pictures hang where they were put; the wheel zooms, the bare board is dragged. Files are dropped or
 * pasted.
 */
import { useEffect, useRef, useState, type DragEvent, type PointerEvent } from 'react';
import { atStart, fitted, moved, zoomed, type BoardView } from './boardView';
import { HungPicture } from './HungPicture';
import type { Board } from './useBoard';

/** Times larger for a notch of the wheel of 100 px. */
const NOTCH = 1.2;

interface Props {
    board: Board;
    mayHang: boolean;
    /** Whether what is pasted into the window hangs here. */
    takesPaste?: boolean;
    className: string;
}

export function PinBoard({ board, mayHang, takesPaste = true, className }: Props) {
    const ground = useRef<HTMLDivElement>(null);
    const [view, setView] = useState<BoardView>(atStart);
    const pan = usePan(setView);
    const all = board.pictures.all;
    const fit = (): void => {
        if (ground.current !== null && all !== null)
            setView(fitted(all, ground.current.clientWidth, ground.current.clientHeight));
    };
    useFitting(all?.length ?? 0, fit);
    useWheel(ground, setView);
    usePaste(board, mayHang && takesPaste);
    const drop = (event: DragEvent): void => {
        event.preventDefault();
        const files = [...event.dataTransfer.files];
        if (mayHang && files.length > 0) void board.pictures.hang(files);
    };
    return (
        <div
            ref={ground}
            role="group"
            aria-label="Pin-up board"
            className={`relative overflow-hidden ${className}`}
            style={{ background: 'var(--work)', touchAction: 'none' }}
            onPointerDown={(event) => {
                if (event.target === event.currentTarget) board.choose(null);
                pan.begin(event);
            }}
            onPointerMove={pan.move}
            onPointerUp={pan.end}
            onDragOver={(event) => event.preventDefault()}
            onDrop={drop}
        >
            {all?.map((picture) => (
                <HungPicture key={picture.id} board={board} picture={picture} view={view} />
            ))}
            {all?.length === 0 && <Empty mayHang={mayHang} />}
            {all !== null && all.length > 0 && (
                <button className="act narrow absolute right-2 bottom-2" onClick={fit}>
                    Show all
                </button>
            )}
        </div>
    );
}

/** Shows all when they are there, and when one more hangs; not while they are moved about. */
function useFitting(count: number, fit: () => void): void {
    const before = useRef(0);
    useEffect(() => {
        if (count > before.current) fit();
        before.current = count;
    });
}

function Empty({ mayHang }: { mayHang: boolean }) {
    return (
        <p className="pointer-events-none absolute inset-0 flex items-center justify-center p-6 text-center">
            {mayHang
                ? 'Nothing hangs here yet. Drop pictures on the board, paste one, or add files: places, studies, pages already printed.'
                : 'Nothing hangs here yet.'}
        </p>
    );
}

function usePan(setView: (change: (view: BoardView) => BoardView) => void) {
    const last = useRef<{ x: number; y: number } | null>(null);
    return {
        begin(event: PointerEvent<HTMLElement>): void {
            if (event.target !== event.currentTarget && event.button !== 1) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            last.current = { x: event.clientX, y: event.clientY };
        },
        move(event: PointerEvent): void {
            if (last.current === null) return;
            const right = event.clientX - last.current.x;
            const down = event.clientY - last.current.y;
            last.current = { x: event.clientX, y: event.clientY };
            setView((view) => moved(view, right, down));
        },
        end(): void {
            last.current = null;
        },
    };
}

function useWheel(
    ground: React.RefObject<HTMLDivElement | null>,
    setView: (change: (view: BoardView) => BoardView) => void,
): void {
    useEffect(() => {
        const element = ground.current;
        if (element === null) return;
        // React's own wheel listeners cannot keep the page from scrolling.
        const turned = (event: WheelEvent): void => {
            event.preventDefault();
            const box = element.getBoundingClientRect();
            const factor = NOTCH ** (-event.deltaY / 100);
            setView((view) => zoomed(view, factor, event.clientX - box.left, event.clientY - box.top));
        };
        element.addEventListener('wheel', turned, { passive: false });
        return () => element.removeEventListener('wheel', turned);
    }, [ground, setView]);
}

function usePaste(board: Board, mayHang: boolean): void {
    useEffect(() => {
        const pasted = (event: ClipboardEvent): void => {
            const files = [...(event.clipboardData?.files ?? [])].filter(({ type }) => type.startsWith('image/'));
            if (!mayHang || files.length === 0) return;
            event.preventDefault();
            // Another part of the window may take pictures, too; here they hang.
            event.stopImmediatePropagation();
            void board.pictures.hang(files);
        };
        window.addEventListener('paste', pasted, { capture: true });
        return () => window.removeEventListener('paste', pasted, { capture: true });
    });
}
