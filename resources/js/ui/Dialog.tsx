/** A box over the page; Escape and a press beside it close it, and the focus goes back to where it was. */
import { useId, type ReactNode } from 'react';
import { useModal } from './useModal';

interface Props {
    title: string;
    /** As wide as pictures side by side want it. */
    isWide?: boolean;
    onClose: () => void;
    children: ReactNode;
}

export function Dialog({ title, isWide = false, onClose, children }: Props) {
    const { dialog, beside } = useModal(onClose);
    const heading = useId();
    return (
        // Escape closes a dialog by itself; the press beside it is for the mouse only.
        // eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions
        <dialog ref={dialog} className="modal" aria-labelledby={heading} onClose={onClose} onClick={beside}>
            <div
                className={`modal-box rule-t border border-base-300 bg-base-100 p-5 ${isWide ? 'max-w-6xl' : 'max-w-lg'}`}
            >
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
