/** Takes over flats from a picture, and settles which material each of their colours is. */
import type { FigureState, TakenRow } from '../../../api/generated';
import { mayColour, mayFlat } from '../../../page/store';
import { isGoing } from '../../../api/tasks';
import { FilePicker } from '../../../ui/FilePicker';
import { Fold } from '../../../ui/Fold';
import { useBenchModel, usePage, useSession, useTarget } from '../../model/context';
import { MaterialOptions } from '../passes/MaterialOptions';

const ACCEPT = 'image/png,image/jpeg,image/tiff,image/webp';

export function TakePart() {
    const session = useSession();
    const isBlocked = usePage((view) => !mayFlat(view) || isGoing(view.task));
    const taken = usePage((view) => view.taken);
    const open = taken?.rows.filter(({ material }) => material === null).length ?? 0;
    return (
        <Fold
            key={taken?.name ?? ''}
            title="Flats from elsewhere"
            help="flats#flats-from-elsewhere"
            tells={taken === null ? '' : `${open} to settle`}
            isOpen={taken !== null}
        >
            {taken === null ? (
                <p className="quiet">
                    A picture of flat colours over this line art: its areas become the regions, its colours are matched
                    to the palette.
                </p>
            ) : (
                <Table name={taken.name} moved={[taken.right, taken.down]} rows={taken.rows} />
            )}
            <div className="flex flex-wrap gap-2">
                <FilePicker
                    label={taken === null ? 'Take over a picture' : 'Another picture'}
                    name="A picture of flats"
                    accept={ACCEPT}
                    disabled={isBlocked}
                    onFiles={([file]) => void session.work.takeFlats(file)}
                />
                {taken !== null && (
                    <button className="act" onClick={() => session.work.forgetTaken()}>
                        Close the table
                    </button>
                )}
            </div>
        </Fold>
    );
}

function Table({ name, moved: [right, down], rows }: { name: string; moved: [number, number]; rows: TakenRow[] }) {
    const figures = usePage((view) => view.palette.figures);
    return (
        <>
            <p className="quiet truncate" title={name}>
                {name}
                {right !== 0 || down !== 0 ? `, moved by ${right}, ${down} px` : ''}
            </p>
            <ul>
                {rows.map((row) => (
                    <Row key={row.colour} row={row} figures={figures} />
                ))}
            </ul>
        </>
    );
}

const verdictOf = ({ verdict, difference }: TakenRow): string =>
    verdict === 'exact'
        ? 'exact'
        : difference === null
          ? 'new'
          : `${verdict === 'near' ? 'near' : 'unknown'}, ΔE ${difference.toFixed(1)}`;

function Row({ row, figures }: { row: TakenRow; figures: FigureState[] }) {
    const bench = useBenchModel();
    const session = useSession();
    const target = useTarget();
    const isBlocked = usePage((view) => !mayFlat(view));
    const mayAdd = usePage(mayColour);
    const all = figures.flatMap((figure) => figure.materials);
    const make = async (): Promise<void> => {
        const figure = target?.material.figure ?? figures[0]?.id;
        const made = figure === undefined ? null : await session.palette.addMaterial(figure, row.colour, row.colour);
        if (made !== null) session.work.settleTaken(row, made);
    };
    const settle = (value: string): void => {
        const material = all.find(({ id }) => id === Number(value));
        if (material !== undefined) session.work.settleTaken(row, material);
        else if (value === 'new') void make();
    };
    return (
        <li className="grid grid-cols-[20px_1fr] items-center gap-x-2 py-1">
            <button
                className="h-8 w-5"
                style={{ background: row.colour }}
                aria-label={`Show what is ${row.colour}`}
                title={`${row.colour}: show where`}
                onClick={() => bench.set({ pickedRegions: row.labels })}
            />
            <span className="flex min-w-0 flex-col">
                <select
                    className="field w-full"
                    aria-label={`${row.colour} is`}
                    disabled={isBlocked}
                    value={row.material ?? ''}
                    onChange={(event) => settle(event.target.value)}
                >
                    <option value="">not settled</option>
                    {mayAdd && <option value="new">a new material of {target?.figureName ?? figures[0]?.name}</option>}
                    <MaterialOptions />
                </select>
                <span className="figures quiet">
                    {(100 * row.share).toFixed(1)} % of the page · {verdictOf(row)}
                </span>
            </span>
        </li>
    );
}
