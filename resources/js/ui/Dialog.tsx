import { useEffect, useRef, type ReactNode } from 'react';

/** A box over the page; Escape and a press beside it close it. */
export function Dialog({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
    const dialog = useRef<HTMLDialogElement>(null);
    useEffect(() => dialog.current?.showModal(), []);
    return (
        <dialog ref={dialog} className="modal" onClose={onClose} onClick={(event) => event.target === dialog.current && onClose()}>
            <div className="modal-box rule-t max-w-lg border border-base-300 bg-base-100 p-5" role="document">
                <div className="mb-3 flex items-baseline justify-between">
                    <h2 className="heading text-lg">{title}</h2>
                    <button className="bare" onClick={onClose}>Close</button>
                </div>
                {children}
            </div>
        </dialog>
    );
}
