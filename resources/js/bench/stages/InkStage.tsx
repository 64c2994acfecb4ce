import { useRef, useState, type DragEvent } from 'react';
import type { PageSession } from '../session';

interface Props {
    session: PageSession;
    levels: { paper: number; ink: number } | null;
    onLevels: (levels: { paper: number; ink: number } | null) => void;
}

/** Import a scan; then set where paper ends and full ink begins, with the result on the canvas while the slider moves. */
export function InkStage({ session, levels, onLevels }: Props) {
    const file = useRef<HTMLInputElement>(null);
    const [over, setOver] = useState(false);
    const size = session.size;
    const busy = session.task !== null && (session.task.state === 'waiting' || session.task.state === 'working');
    const take = (files: FileList | null): void => {
        if (files !== null && files.length > 0) void session.importScan(files[0]);
    };
    const drop = (event: DragEvent): void => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer.files);
    };
    const input = <input ref={file} type="file" accept="image/png,image/jpeg,image/tiff,image/webp" className="hidden" aria-label="Scan to import" onChange={(e) => { take(e.target.files); e.target.value = ''; }} />;
    if (size === null) {
        const waiting = session.state.waiting;
        return (
            <div className={`absolute inset-6 grid place-items-center border-2 border-dashed ${over ? 'border-primary bg-base-100' : 'border-base-content/40'}`} onDragOver={(event) => { event.preventDefault(); setOver(true); }} onDragLeave={() => setOver(false)} onDrop={drop}>
                <div className="flex max-w-md flex-col items-start gap-3 bg-base-100 p-6">
                    <h2 className="heading text-lg">Bring in the line art</h2>
                    <p>Drop a scan or photo here, or choose a file: PNG, JPEG, TIFF or WebP. The paper is taken out, the lines are cleaned, gaps are bridged and the regions found. The file itself is kept as it is.</p>
                    {input}
                    <div className="flex flex-wrap gap-2">
                        {waiting !== null && <button className="act main" disabled={!session.mayFlat || busy} onClick={() => void session.importWaiting(waiting.id)}>Import {waiting.name}</button>}
                        <button className={waiting === null ? 'act main' : 'act'} disabled={!session.mayFlat || busy} onClick={() => file.current?.click()}>Choose a file</button>
                    </div>
                    {!session.mayFlat && <p className="quiet">{session.holder !== null && !session.held ? `${session.holder} is working on this page.` : session.state.role === 'viewer' ? 'You look at this series; others bring in line art.' : 'Taking the page …'}</p>}
                </div>
            </div>
        );
    }
    const now = levels ?? { paper: size.paper, ink: size.ink };
    const set = (paper: number, ink: number): void => onLevels({ paper: Math.min(paper, ink - 1), ink: Math.max(ink, paper + 1) });
    return (
        <div className="absolute bottom-3 left-1/2 z-10 flex -translate-x-1/2 items-center gap-2.5 whitespace-nowrap border border-base-300 bg-base-100 px-2.5 py-1.5">
            <label className="flex items-center gap-2">Paper ends at<input type="range" className="slide w-20" min={0} max={200} value={now.paper} onChange={(e) => set(Number(e.target.value), Math.max(now.ink, Number(e.target.value) + 1))} /><span className="figures w-7">{now.paper}</span></label>
            <label className="flex items-center gap-2">Full ink from<input type="range" className="slide w-20" min={20} max={255} value={now.ink} onChange={(e) => set(Math.min(now.paper, Number(e.target.value) - 1), Number(e.target.value))} /><span className="figures w-7">{now.ink}</span></label>
            {levels !== null && <button className="act" onClick={() => onLevels(null)}>Put back</button>}
            <button className="act main" disabled={levels === null || !session.mayFlat || busy} onClick={() => void session.clean(now.paper, now.ink).then(() => onLevels(null))}>Clean again</button>
            {input}
            <button className="act" disabled={!session.mayFlat || busy} onClick={() => file.current?.click()}>Another scan</button>
        </div>
    );
}
