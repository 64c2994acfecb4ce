/** The pin-up board in a window of its own, for a second screen. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { ThemeSwitch } from '../ui/theme';
import { BoardTools } from './BoardTools';
import { ChosenPicture } from './ChosenPicture';
import { PickedColours } from './PickedColours';
import { PinBoard } from './PinBoard';
import { useBoard } from './useBoard';
import { Trouble } from '../ui/Trouble';

export function BoardScreen({ id, page }: { id: number; page: number | null }) {
    const client = useQueryClient();
    const board = useBoard(id, page);
    const { data: series, error } = useQuery({ queryKey: ['series', id], queryFn: () => api.series(id) });
    const name = series?.name;
    useEffect(() => {
        if (name !== undefined) document.title = `Pictures of ${name} · Awning`;
    }, [name]);
    if (series === undefined) {
        return error === null ? null : <Trouble message={error.message} />;
    }
    const mayHang = series.role !== 'viewer';
    const mayColour = series.role === 'owner' || series.role === 'colourist';
    const number = series.pages.find((one) => one.id === page)?.number;
    return (
        <main className="flex h-full flex-col">
            <header className="rule-b flex h-11 shrink-0 items-center gap-3 px-3">
                <nav className="flex min-w-0 items-center gap-1.5" aria-label="Where you are">
                    <Link to="/" className="quiet hover:underline">
                        Shelf
                    </Link>
                    <span className="quiet">/</span>
                    <Link to={`/series/${id}`} className="quiet truncate hover:underline" title={series.name}>
                        {series.name}
                    </Link>
                    <span className="quiet">/</span>
                    <h1 className="heading whitespace-nowrap">
                        {number === undefined ? 'Pictures' : `Pictures of p. ${number}`}
                    </h1>
                </nav>
                <div className="ml-auto flex items-center gap-2">
                    <BoardTools board={board} mayHang={mayHang} />
                    <ThemeSwitch />
                </div>
            </header>
            <div className="grid min-h-0 flex-1 grid-cols-[1fr_19rem]">
                <PinBoard board={board} mayHang={mayHang} className="h-full" />
                <aside className="rule-l flex min-h-0 flex-col gap-4 overflow-y-auto p-3" aria-label="Colours">
                    <ChosenPicture board={board} mayHang={mayHang} />
                    <PickedColours
                        board={board}
                        figures={series.palette.figures}
                        mayColour={mayColour}
                        onTaken={() => void client.invalidateQueries({ queryKey: ['series', id] })}
                    />
                </aside>
            </div>
        </main>
    );
}
