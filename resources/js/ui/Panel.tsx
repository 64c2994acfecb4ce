import type { ReactNode } from 'react';

/** A part of a column: a heading, what can be done with it beside, and the rest scrolling below. */
export function Panel({ title, action, children }: { title: string; action?: ReactNode; children: ReactNode }) {
    return (
        <section aria-label={title} className="flex min-h-0 flex-1 flex-col">
            <div className="flex h-10 shrink-0 items-center justify-between gap-2 px-3">
                <h2 className="heading truncate" title={title}>
                    {title}
                </h2>
                {action}
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto px-3 pb-2">{children}</div>
        </section>
    );
}
