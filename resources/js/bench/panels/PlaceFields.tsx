/** Where the picked drawing lies, in numbers; the Place tool changes the same. */
import type { DrawingData, PlacementData } from '../../api/generated';
import { NumberField } from '../../ui/NumberField';
import { Tick } from '../../ui/Tick';
import { useBench, useBenchModel, useSession } from '../model/context';
import { FileButton } from './ImportBox';

interface Props {
    id: string;
    drawing: DrawingData;
    isBlocked: boolean;
}

export function PlaceFields({ id, drawing, isBlocked }: Props) {
    const bench = useBenchModel();
    const session = useSession();
    const trial = useBench((view) => view.trial);
    const place = trial?.place ?? drawing.place;
    const isMoved = trial !== null && trial.place !== drawing.place;
    const set = (change: Partial<PlacementData>): void => bench.try({ place: change });
    const lay = async (): Promise<void> => {
        await session.clean(id, trial?.clean ?? drawing.clean, place);
        bench.set({ trial: null });
    };
    return (
        <div className="flex flex-col gap-2 text-[13px]">
            <div className="grid grid-cols-2 gap-2">
                <NumberField label="Middle, x px" value={place.x} least={-60000} most={60000} step={0.5} onChange={(x) => set({ x })} />
                <NumberField label="Middle, y px" value={place.y} least={-60000} most={60000} step={0.5} onChange={(y) => set({ y })} />
                <NumberField
                    label="Size, %"
                    value={Math.round(place.scale * 1000) / 10}
                    least={2}
                    most={2000}
                    step={0.1}
                    onChange={(percent) => set({ scale: percent / 100 })}
                />
                <NumberField label="Turn, °" value={place.turn} least={-360} most={360} step={0.1} onChange={(turn) => set({ turn })} />
            </div>
            <Tick checked={place.mirror} onChange={(mirror) => set({ mirror })}>
                Mirrored
            </Tick>
            <Sheet drawing={drawing} place={place} onChange={set} />
            <div className="flex flex-wrap gap-2">
                <button className="act main" disabled={!isMoved || isBlocked} onClick={() => void lay()}>
                    Lay it here
                </button>
                <FileButton label="Another scan" disabled={isBlocked} drawing={id} />
                <button className="act" disabled={isBlocked} onClick={() => session.removeDrawing(id)}>
                    Take it off
                </button>
            </div>
        </div>
    );
}

/** The corners of a sheet that was photographed from aside. */
function Sheet({
    drawing,
    place,
    onChange,
}: {
    drawing: DrawingData;
    place: PlacementData;
    onChange: (change: Partial<PlacementData>) => void;
}) {
    const { width, height, found } = drawing;
    const start = found.sheet ?? [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
    ];
    const setCorner = (corner: number, axis: number, value: number): void =>
        onChange({
            corners: (place.corners ?? start).map((at, i) => (i === corner ? (axis === 0 ? [value, at[1]] : [at[0], value]) : at)),
        });
    return (
        <>
            <Tick
                checked={place.corners !== null}
                onChange={(isOn) => onChange({ corners: isOn ? start.map(([x, y]) => [Math.round(x), Math.round(y)]) : null })}
            >
                {found.sheet === null ? 'Straighten by four corners' : 'Straighten by the sheet’s corners, as found'}
            </Tick>
            {place.corners !== null && (
                <div className="grid grid-cols-2 gap-2">
                    {place.corners.flatMap((corner, i) =>
                        (['x', 'y'] as const).map((name, axis) => (
                            <NumberField
                                key={`${i}${name}`}
                                label={`${CORNERS[i]}, ${name}`}
                                value={corner[axis]}
                                least={-60000}
                                most={60000}
                                onChange={(value) => setCorner(i, axis, value)}
                            />
                        )),
                    )}
                </div>
            )}
        </>
    );
}

const CORNERS = ['Upper left', 'Upper right', 'Lower right', 'Lower left'];
