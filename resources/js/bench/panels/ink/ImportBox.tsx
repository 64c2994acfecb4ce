/** On an empty page: bring in the line art. */
import { useState, type DragEvent } from 'react';
import { mayFlat, whyNot } from '../../../page/store';
import { isGoing } from '../../../api/tasks';
import { FilePicker } from '../../../ui/FilePicker';
import { NumberField } from '../../../ui/NumberField';
import { usePage, useSession } from '../../model/context';
import { startPage } from '../../../page/ops/ink/startPage';

/** What a scan can be. */
const ACCEPT = 'image/png,image/jpeg,image/tiff,image/webp,application/pdf,image/openraster,.ora,image/svg+xml,.svg';

export function ImportBox() {
    const session = useSession();
    const [isOver, setOver] = useState(false);
    const over = (event: DragEvent): void => {
        event.preventDefault();
        setOver(true);
    };
    const drop = (event: DragEvent): void => {
        event.preventDefault();
        setOver(false);
        void session.work.importScans([...event.dataTransfer.files]);
    };
    return (
        <div
            className={`absolute inset-6 grid place-items-center border-2 border-dashed ${isOver ? 'border-primary bg-base-100' : 'border-base-content/40'}`}
            onDragOver={over}
            onDragLeave={() => setOver(false)}
            onDrop={drop}
        >
            <div className="flex max-w-md flex-col items-start gap-3 bg-base-100 p-6">
                <h2 className="heading text-lg">Bring in the line art</h2>
                <p>
                    Drop or paste scans or photos here, or choose files: PNG, JPEG, TIFF, WebP, PDF, SVG or OpenRaster.
                    The paper is taken out, the lines are cleaned, gaps are bridged and the regions found. The files
                    themselves are kept as they are.
                </p>
                <Choices />
                <StartEmpty />
            </div>
        </div>
    );
}

function Choices() {
    const session = useSession();
    const waiting = usePage((view) => view.waiting);
    const may = usePage(mayFlat);
    const why = usePage((view) => whyNot(view, 'flat'));
    const isBusy = usePage((view) => isGoing(view.task));
    return (
        <>
            <div className="flex flex-wrap gap-2">
                {waiting !== null && (
                    <button
                        className="act main"
                        disabled={!may || isBusy}
                        onClick={() => void session.work.importWaiting(waiting.id)}
                    >
                        Import {waiting.name}
                    </button>
                )}
                <FileButton label="Choose files" isMain={waiting === null} disabled={!may || isBusy} />
            </div>
            {!may && <p className="quiet">{why}</p>}
        </>
    );
}

/** Or a page to draw on. */
function StartEmpty() {
    const session = useSession();
    const may = usePage(mayFlat);
    const [width, setWidth] = useState(2480);
    const [height, setHeight] = useState(3508);
    return (
        <div className="rule-t flex flex-wrap items-end gap-2 pt-3">
            <NumberField label="Width, px" value={width} least={16} most={20000} onChange={setWidth} />
            <NumberField label="Height, px" value={height} least={16} most={20000} onChange={setHeight} />
            <button
                className="act"
                disabled={!may}
                onClick={() => session.apply(startPage({ width, height, dpi: 300 }))}
            >
                Begin an empty page
            </button>
        </div>
    );
}

/** Brings in drawings. */
export function FileButton({
    label,
    isMain = false,
    disabled,
    drawing = null,
}: {
    label: string;
    isMain?: boolean;
    disabled: boolean;
    /** The drawing that is replaced; none: each file is one more. */
    drawing?: string | null;
}) {
    const session = useSession();
    return (
        <FilePicker
            label={label}
            name={drawing === null ? 'Scan to import' : 'Scan to put in its place'}
            accept={ACCEPT}
            isMultiple={drawing === null}
            isMain={isMain}
            disabled={disabled}
            onFiles={(files) => void session.work.importScans(files, drawing)}
        />
    );
}
