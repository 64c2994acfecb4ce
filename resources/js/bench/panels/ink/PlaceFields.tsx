/** Where the picked drawing lies, in numbers; the Place tool changes the same. */
import { useState } from 'react';
import type { CropData, DrawingData, PlacementData } from '../../../api/generated';
import { NumberField } from '../../../ui/NumberField';
import { Tick } from '../../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { partOf } from '../../model/placing';
import { FileButton } from './ImportBox';
import { changeDrawing } from '../../../page/ops/ink/changeDrawing';
import { removeDrawing } from '../../../page/ops/ink/removeDrawing';

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
    const set = (change: Partial<PlacementData>): void => bench.ink.try({ place: change });
    const lay = async (): Promise<void> => {
        await session.work.clean(id, trial?.clean ?? drawing.clean, place);
        bench.set({ trial: null });
    };
    return (
        <div className="flex flex-col gap-2 text-[13px]">
            <div className="grid grid-cols-2 gap-2">
                <NumberField
                    label="Middle, x px"
                    value={place.x}
                    least={-60000}
                    most={60000}
                    step={0.5}
                    onChange={(x) => set({ x })}
                />
                <NumberField
                    label="Middle, y px"
                    value={place.y}
                    least={-60000}
                    most={60000}
                    step={0.5}
                    onChange={(y) => set({ y })}
                />
                <NumberField
                    label="Size, %"
                    value={Math.round(place.scale * 1000) / 10}
                    least={2}
                    most={2000}
                    step={0.1}
                    onChange={(percent) => set({ scale: percent / 100 })}
                />
                <NumberField
                    label="Turn, °"
                    value={place.turn}
                    least={-360}
                    most={360}
                    step={0.1}
                    onChange={(turn) => set({ turn })}
                />
            </div>
            <Tick checked={place.mirror} onChange={(mirror) => set({ mirror })}>
                Mirrored
            </Tick>
            <Crop drawing={drawing} place={place} onChange={set} />
            <Sheet drawing={drawing} place={place} onChange={set} />
            <Depth id={id} drawing={drawing} place={place} isBlocked={isBlocked} onChange={set} />
            {drawing.pictures > 1 && <OtherPicture id={id} drawing={drawing} isBlocked={isBlocked} />}
            <div className="flex flex-wrap gap-2">
                <button className="act main" disabled={!isMoved || isBlocked} onClick={() => void lay()}>
                    Lay it here
                </button>
                <FileButton label="Another scan" disabled={isBlocked} drawing={id} />
                <button className="act" disabled={isBlocked} onClick={() => session.apply(removeDrawing({ id }))}>
                    Remove the drawing
                </button>
            </div>
        </div>
    );
}

interface PartProps {
    drawing: DrawingData;
    place: PlacementData;
    onChange: (change: Partial<PlacementData>) => void;
}

const SIDES = ['Left', 'Top', 'Right', 'Bottom'];

/** The part of the drawing that is laid. */
function Crop({ drawing, place, onChange }: PartProps) {
    const part = partOf(drawing, place);
    const setSide = (side: number, value: number): void => {
        const crop: CropData = [...part];
        crop[side] = value;
        onChange({ crop });
    };
    return (
        <>
            <Tick checked={place.crop !== null} onChange={(isOn) => onChange({ crop: isOn ? part : null })}>
                Only a part of it
            </Tick>
            {place.crop !== null && (
                <div className="grid grid-cols-2 gap-2">
                    {SIDES.map((name, side) => (
                        <NumberField
                            key={name}
                            label={`${name}, px`}
                            value={Math.round(part[side])}
                            least={side < 2 ? 0 : Math.ceil(part[side - 2]) + 1}
                            most={side < 2 ? Math.floor(part[side + 2]) - 1 : 60000}
                            onChange={(value) => setSide(side, value)}
                        />
                    ))}
                </div>
            )}
        </>
    );
}

/** Which of several drawings lies in front, and whether it hides what lies behind. */
function Depth({ id, drawing, place, isBlocked, onChange }: PartProps & { id: string; isBlocked: boolean }) {
    const session = useSession();
    const orders = usePage((view) => view.records.drawing);
    const others = Object.entries(orders).flatMap(([other, { order }]) => (other === id ? [] : [order]));
    if (others.length === 0) return null;
    const move = (order: number): void => session.apply(changeDrawing({ id, values: { order } }));
    return (
        <div className="flex flex-col gap-2">
            <Tick checked={place.covers} onChange={(covers) => onChange({ covers })}>
                Hides the lines behind it
            </Tick>
            <div className="flex gap-2" role="group" aria-label="Order of the drawings">
                <button
                    className="act"
                    disabled={isBlocked || drawing.order > Math.max(...others)}
                    onClick={() => move(Math.max(...others) + 1)}
                >
                    To the front
                </button>
                <button
                    className="act"
                    disabled={isBlocked || drawing.order < Math.min(...others)}
                    onClick={() => move(Math.min(...others) - 1)}
                >
                    To the back
                </button>
            </div>
        </div>
    );
}

/** Another page of a PDF, another picture of a TIFF. */
function OtherPicture({ id, drawing, isBlocked }: { id: string; drawing: DrawingData; isBlocked: boolean }) {
    const session = useSession();
    const [picture, setPicture] = useState(drawing.picture);
    return (
        <div className="flex items-end gap-2">
            <NumberField
                label={`Picture, of ${drawing.pictures}`}
                value={picture}
                least={1}
                most={drawing.pictures}
                onChange={setPicture}
            />
            <button
                className="act"
                disabled={isBlocked || picture === drawing.picture}
                onClick={() => void session.work.importWaiting(drawing.original, { drawing: id, picture })}
            >
                Take this one
            </button>
        </div>
    );
}

/** The corners of a sheet that was photographed from aside. */
function Sheet({ drawing, place, onChange }: PartProps) {
    const { width, height, found } = drawing;
    const start = found.sheet ?? [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
    ];
    const setCorner = (corner: number, axis: number, value: number): void =>
        onChange({
            corners: (place.corners ?? start).map((at, i) =>
                i === corner ? (axis === 0 ? [value, at[1]] : [at[0], value]) : at,
            ),
        });
    return (
        <>
            <Tick
                checked={place.corners !== null}
                onChange={(isOn) =>
                    onChange({ corners: isOn ? start.map(([x, y]) => [Math.round(x), Math.round(y)]) : null })
                }
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
