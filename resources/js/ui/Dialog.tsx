/** A box over the page; Escape and a press beside it close it, and the focus goes back to where it was. */
import { useEffect, useId, useRef, type MouseEvent, type ReactNode } from 'react';

export function Dialog({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
    const dialog = useRef<HTMLDialogElement>(null);
    const heading = useId();
    useEffect(() => {
        const opener = document.activeElement;
        dialog.current?.showModal();
        return () => {
            if (opener instanceof HTMLElement) opener.focus();
        };
    }, []);
    const beside = (event: MouseEvent): void => {
        if (event.target === dialog.current) onClose();
    };
    return (
        // Escape closes a dialog by itself; the press beside it is for the mouse only.
        // eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions
        <dialog ref={dialog} className="modal" aria-labelledby={heading} onClose={onClose} onClick={beside}>
            <div className="modal-box rule-t max-w-lg border border-base-300 bg-base-100 p-5">
                <div className="mb-3 flex items-baseline justify-between">
                    <h2 id={heading} className="heading text-lg">
                        {title}
                    </h2>
                    <button className="bare" onClick={onClose}>
                        Close
                    </button>
                </div>
                {children}
            </div>
        </dialog>
    );
}
