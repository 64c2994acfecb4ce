/**
 * What makes a dialog modal: it lies over everything, a press beside it closes it, and the focus goes back to where it
 * was.
 */
import { useEffect, useRef, type MouseEvent, type RefObject } from 'react';

export function useModal(onClose: () => void): {
    dialog: RefObject<HTMLDialogElement | null>;
    beside: (event: MouseEvent) => void;
} {
    const dialog = useRef<HTMLDialogElement>(null);
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
    return { dialog, beside };
}
