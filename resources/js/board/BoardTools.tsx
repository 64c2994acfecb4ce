/** What the hand does on the board, and what can be brought there. */
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { Choice } from '../ui/Choice';
import { FilePicker } from '../ui/FilePicker';
import { ACROSS, ACROSS_NAMES } from '../picture/mean';
import type { Board } from './useBoard';

export const PICTURES = 'image/*,.tif,.tiff,.ora,.pdf,.svg';

export function BoardTools({
    board,
    mayHang,
    isNarrow = false,
}: {
    board: Board;
    mayHang: boolean;
    isNarrow?: boolean;
}) {
    const button = isNarrow ? 'act narrow' : 'act';
    return (
        <div className="flex flex-wrap items-center gap-2">
            <button className={button} aria-pressed={board.hand === 'arrange'} onClick={() => board.take('arrange')}>
                Arrange
            </button>
            <button className={button} aria-pressed={board.hand === 'pick'} onClick={() => board.take('pick')}>
                Pick colours
            </button>
            {board.hand === 'pick' && (
                <Choice
                    label="Of how many pixels"
                    isLabelHidden
                    value={board.across}
                    options={ACROSS}
                    names={ACROSS_NAMES}
                    onChange={board.setAcross}
                />
            )}
            {mayHang && (
                <FilePicker
                    label="Add pictures"
                    name="Pictures to hang up"
                    accept={PICTURES}
                    isMultiple
                    isNarrow={isNarrow}
                    disabled={false}
                    onFiles={(files) => void board.pictures.hang(files)}
                />
            )}
            {mayHang && <PagePicker board={board} />}
            {board.pictures.message !== null && <span role="alert">{board.pictures.message}</span>}
        </div>
    );
}

/** Hangs up a page of ours, to hold others beside it or to pick colours out of it. */
function PagePicker({ board }: { board: Board }) {
    const { data } = useQuery({ queryKey: ['series', board.series], queryFn: () => api.series(board.series) });
    return (
        <select
            className="field w-28"
            aria-label="Hang up a page"
            value=""
            onChange={(event) => void board.pictures.hangPage(Number(event.target.value))}
        >
            <option value="">A page …</option>
            {data?.pages.map(({ id, number, title }) => (
                <option key={id} value={id}>
                    p. {number} {title}
                </option>
            ))}
        </select>
    );
}
