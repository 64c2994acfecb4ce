import { useState, type ReactNode } from 'react';
import { HelpMark } from './Help';

interface Props {
    title: string;
    /** Where the manual tells about it, like "flats#bridge"; the mark for it is there while the part is open. */
    help: string;
    /** What there is inside, in a few characters, so that it need not be opened to know. */
    tells?: string;
    /** Whether it is open at first. */
    isOpen?: boolean;
    children: ReactNode;
}

/** A part of a panel under its heading that opens and closes. What is inside is made only while it is open. */
export function Fold({ title, help, tells = '', isOpen = false, children }: Props) {
    const [isShown, setShown] = useState(isOpen);
    return (
        <div className="relative">
            <details
                className="fold rule-t text-[13px]"
                open={isShown}
                onToggle={(event) => setShown(event.currentTarget.open)}
            >
                <summary className={`flex items-center justify-between gap-2 py-2 ${isShown ? 'pr-8' : ''}`}>
                    <h3 className="heading truncate">{title}</h3>
                    <span className="quiet figures shrink-0">{tells}</span>
                </summary>
                {isShown && <div className="flex flex-col gap-2 pb-2.5">{children}</div>}
            </details>
            {/* Beside the heading, yet outside of it: a heading that opens may hold no button of its own. */}
            {isShown && (
                <span className="absolute right-0 top-1 text-[13px]">
                    <HelpMark at={help} about={title} />
                </span>
            )}
        </div>
    );
}
