import { useState, type ReactNode } from 'react';

interface Props {
    title: string;
    /** What there is inside, in a few characters, so that it need not be opened to know. */
    tells?: string;
    /** Whether it is open at first. */
    isOpen?: boolean;
    children: ReactNode;
}

/** A part of a panel under its heading that opens and closes. What is inside is made only while it is open. */
export function Fold({ title, tells = '', isOpen = false, children }: Props) {
    const [isShown, setShown] = useState(isOpen);
    return (
        <details
            className="fold rule-t text-[13px]"
            open={isShown}
            onToggle={(event) => setShown(event.currentTarget.open)}
        >
            <summary className="flex items-center justify-between gap-2 py-2">
                <h3 className="heading truncate">{title}</h3>
                <span className="quiet figures shrink-0">{tells}</span>
            </summary>
            {isShown && <div className="flex flex-col gap-2 pb-2.5">{children}</div>}
        </details>
    );
}
