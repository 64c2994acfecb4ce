/** The pin-up board over the page: made larger by its corner, closed when it is in the way. */
import { BoardTools } from '../board/BoardTools';
import { ColoursInHand } from '../board/ColoursInHand';
import { PinBoard } from '../board/PinBoard';
import { useBoard } from '../board/useBoard';
import { mayColour, mayFlat } from '../page/store';
import { useBench, useBenchModel, usePage, useSession } from './model/context';

export function PicturesPane() {
    return useBench((view) => view.arePicturesOpen) ? <Pane /> : null;
}

function Pane() {
    const bench = useBenchModel();
    const session = useSession();
    const page = usePage((view) => view.id);
    const series = usePage((view) => view.series.id);
    const mayHang = usePage(mayFlat);
    const mayPin = usePage(mayColour);
    const target = useBench((view) => view.target);
    // In the Ink stage what is pasted is a drawing.
    const takesPaste = useBench((view) => view.stage !== 'ink');
    const board = useBoard(series, page);
    const use =
        mayPin && target !== null
            ? {
                  label: `Use as ${target.material.name} › ${target.tone}`,
                  with: (colour: string) => void session.palette.pin(target.material, target.tone, colour),
              }
            : null;
    return (
        <aside
            aria-label="Pictures"
            className="absolute top-3 left-3 z-10 flex h-[22rem] w-[28rem] max-w-[90%] min-h-48 min-w-72 resize flex-col overflow-hidden border border-base-content/40 bg-base-100"
        >
            <div className="rule-b flex shrink-0 items-center gap-2 p-1.5">
                <BoardTools board={board} mayHang={mayHang} isNarrow />
                <a
                    className="bare ml-auto"
                    title="In a window of its own, for a second screen"
                    href={`/board/${series}?page=${page}`}
                    target="_blank"
                    rel="noreferrer"
                >
                    window
                </a>
                <button
                    className="bare"
                    aria-label="Close the pictures"
                    onClick={() => bench.set({ arePicturesOpen: false })}
                >
                    ×
                </button>
            </div>
            <PinBoard board={board} mayHang={mayHang} takesPaste={takesPaste} className="min-h-0 flex-1" />
            <ColoursInHand board={board} use={use} />
        </aside>
    );
}
