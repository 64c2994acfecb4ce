import type { ReactNode } from 'react';
import { HelpMark } from './Help';

interface Props {
    title: string;
    /** Where the manual tells about it, like "light#passes". */
    help: string;
    action?: ReactNode;
    children: ReactNode;
}

/** A part of a column: a heading, what can be done with it beside, and the rest scrolling below. */
export function Panel({ title, help, action, children }: Props) {
    return (
        <section aria-label={title} className="flex min-h-0 flex-1 flex-col">
            <div className="flex h-10 shrink-0 items-center gap-1 px-3">
                <h2 className="heading truncate" title={title}>
                    {title}
                </h2>
                <HelpMark at={help} about={title} />
                <span className="flex-1" />
                {action}
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto px-3 pb-2">{children}</div>
        </section>
    );
}
