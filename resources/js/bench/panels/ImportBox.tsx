/** On an empty page: bring in the line art. */
import { useRef, useState, type DragEvent } from 'react';
import { mayFlat, whyNot } from '../../page/store';
import { isGoing } from '../../page/tasks';
import { usePage, useSession } from '../model/context';

/** What a scan can be. */
const ACCEPT = 'image/png,image/jpeg,image/tiff,image/webp';

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
        const [file] = event.dataTransfer.files;
        if (file !== undefined) void session.importScan(file);
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
                    Drop a scan or photo here, or choose a file: PNG, JPEG, TIFF or WebP. The paper is taken out, the lines are cleaned,
                    gaps are bridged and the regions found. The file itself is kept as it is.
                </p>
                <Choices />
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
                    <button className="act main" disabled={!may || isBusy} onClick={() => void session.importWaiting(waiting.id)}>
                        Import {waiting.name}
                    </button>
                )}
                <FileButton label="Choose a file" isMain={waiting === null} disabled={!may || isBusy} />
            </div>
            {!may && <p className="quiet">{why}</p>}
        </>
    );
}

/** A button that opens the file chooser. */
export function FileButton({ label, isMain = false, disabled }: { label: string; isMain?: boolean; disabled: boolean }) {
    const session = useSession();
    const input = useRef<HTMLInputElement>(null);
    const take = (files: FileList | null): void => {
        if (files !== null && files.length > 0) void session.importScan(files[0]);
        if (input.current !== null) input.current.value = '';
    };
    return (
        <>
            <input
                ref={input}
                type="file"
                accept={ACCEPT}
                className="hidden"
                aria-label="Scan to import"
                onChange={(event) => take(event.target.files)}
            />
            <button className={isMain ? 'act main' : 'act'} disabled={disabled} onClick={() => input.current?.click()}>
                {label}
            </button>
        </>
    );
}
