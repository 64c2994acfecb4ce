/** What each page uses: one of some choices, or none. */
import type { ReactNode } from 'react';
import { NamedOptions } from '../ui/NamedOptions';

interface Wearer {
    page: number;
    number: number;
    title: string;
    choice: number | null;
}

interface Props {
    title: string;
    /** What is chosen, for those who do not see the heading. */
    what: string;
    /** When nothing is chosen. */
    none: string;
    pages: Wearer[];
    choices: { id: number; name: string }[];
    disabled: boolean;
    onChoose: (page: number, choice: number | null) => void;
    /** What more there is to a page, below it. */
    more?: (page: Wearer) => ReactNode;
}

export function Wardrobe({ title, what, none, pages, choices, disabled, onChoose, more }: Props) {
    return (
        <section aria-label="Pages" className="rule-t pt-3">
            <h2 className="heading mb-1 text-base">{title}</h2>
            <ul className="flex flex-col gap-1.5">
                {pages.map((page) => (
                    <li key={page.page} className="flex flex-col gap-1">
                        <div className="flex items-center gap-3">
                            <span className="min-w-0 flex-1 truncate">
                                {page.number}. {page.title}
                            </span>
                            <select
                                className="field"
                                aria-label={`${what} of page ${page.number}`}
                                value={page.choice ?? ''}
                                disabled={disabled}
                                onChange={(event) =>
                                    onChoose(page.page, event.target.value === '' ? null : Number(event.target.value))
                                }
                            >
                                <option value="">{none}</option>
                                <NamedOptions of={choices} />
                            </select>
                        </div>
                        {more?.(page)}
                    </li>
                ))}
            </ul>
        </section>
    );
}
