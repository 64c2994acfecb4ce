/** The manual, over the screen one is in: it opens at the chapter of what one is doing, and can be searched. */
import { useEffect, useId, useRef, useState, type MouseEvent } from 'react';
import { api } from '../api/client';
import type { ManualChapter } from '../api/generated';
import { found } from './manual';
import { useModal } from './useModal';

interface Props {
    /** A chapter, or a heading in it, like "flats#sweep". */
    at: string;
    onClose: () => void;
}

function Help({ at, onClose }: Props) {
    const { dialog, beside } = useModal(onClose);
    const heading = useId();
    const [chapters, setChapters] = useState<ManualChapter[]>([]);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [shown, setShown] = useState(at);
    const [wanted, setWanted] = useState('');
    useEffect(() => {
        api.manual().then(setChapters, (error: unknown) =>
            setTrouble(error instanceof Error ? error.message : String(error)),
        );
    }, []);
    const go = (place: string): void => {
        setShown(place);
        setWanted('');
    };
    return (
        // Escape closes a dialog by itself; the press beside it is for the mouse only.
        // eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions
        <dialog ref={dialog} className="modal" aria-labelledby={heading} onClose={onClose} onClick={beside}>
            <div className="modal-box rule-t flex h-[86vh] max-w-4xl flex-col border border-base-300 bg-base-100 p-0">
                <div className="rule-b flex items-center gap-4 px-5 py-3">
                    <h2 id={heading} className="heading text-lg">
                        Help
                    </h2>
                    <input
                        type="search"
                        className="field flex-1"
                        aria-label="Search the manual"
                        placeholder="Search the manual"
                        value={wanted}
                        onChange={(event) => setWanted(event.target.value)}
                    />
                    <button className="bare" onClick={onClose}>
                        Close
                    </button>
                </div>
                {trouble !== null && (
                    <p role="alert" className="p-5">
                        {trouble}
                    </p>
                )}
                <div className="flex min-h-0 flex-1">
                    <Chapters chapters={chapters} current={wanted === '' ? shown.split('#')[0] : null} onGo={go} />
                    {wanted === '' ? (
                        <Chapter
                            chapter={chapters.find(({ id }) => id === shown.split('#')[0])}
                            anchor={shown.split('#')[1]}
                            onGo={go}
                        />
                    ) : (
                        <Results chapters={chapters} wanted={wanted} onGo={go} />
                    )}
                </div>
            </div>
        </dialog>
    );
}

function Chapters({
    chapters,
    current,
    onGo,
}: {
    chapters: ManualChapter[];
    current: string | null;
    onGo: (place: string) => void;
}) {
    return (
        <nav className="rule-r w-48 shrink-0 overflow-y-auto p-3" aria-label="Chapters">
            <ul className="flex flex-col gap-1">
                {chapters.map(({ id, title }) => (
                    <li key={id} className={id === current ? 'stripe-side pl-2' : 'pl-2'}>
                        <button
                            className="bare w-full text-left"
                            aria-current={id === current ? 'page' : undefined}
                            onClick={() => onGo(id)}
                        >
                            {title}
                        </button>
                    </li>
                ))}
            </ul>
        </nav>
    );
}

function Chapter({
    chapter,
    anchor,
    onGo,
}: {
    chapter: ManualChapter | undefined;
    anchor?: string;
    onGo: (place: string) => void;
}) {
    const body = useRef<HTMLDivElement>(null);
    useEffect(() => {
        const place = anchor === undefined ? null : body.current?.querySelector(`[id="${anchor}"]`);
        if (place instanceof HTMLElement) place.scrollIntoView({ block: 'start' });
        else body.current?.scrollTo(0, 0);
    }, [chapter, anchor]);
    // Links between chapters stay inside.
    const follow = (event: MouseEvent): void => {
        const link = event.target instanceof HTMLAnchorElement ? event.target.getAttribute('href') : null;
        if (link?.startsWith('#/') !== true) return;
        event.preventDefault();
        onGo(link.slice(2));
    };
    if (chapter === undefined) return null;
    return (
        // What is pressed in it are links, which the keyboard reaches by itself.
        // eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-static-element-interactions
        <div ref={body} className="manual min-w-0 flex-1 overflow-y-auto p-5" onClick={follow}>
            <h1>{chapter.title}</h1>
            {/* Our own manual, rendered by the server from docs/manual, without HTML of anybody's. */}
            <div dangerouslySetInnerHTML={{ __html: chapter.html }} />
        </div>
    );
}

function Results({
    chapters,
    wanted,
    onGo,
}: {
    chapters: ManualChapter[];
    wanted: string;
    onGo: (place: string) => void;
}) {
    const results = found(chapters, wanted);
    return (
        <div className="min-w-0 flex-1 overflow-y-auto p-5" role="status">
            {results.length === 0 && <p>The manual says nothing about “{wanted}”. Try another word.</p>}
            <ul className="flex flex-col gap-3">
                {results.map(({ place, title, around }) => (
                    <li key={place}>
                        <button className="bare block text-left" onClick={() => onGo(place)}>
                            <span className="heading block">{title}</span>
                            <span className="quiet block">{around}</span>
                        </button>
                    </li>
                ))}
            </ul>
        </div>
    );
}

/** Opens the manual. */
export function HelpButton({
    at,
    name = 'Help',
    label,
    title = 'The manual, at the chapter of this screen',
}: {
    at: string;
    name?: string;
    /** What it is called for who does not see it; none: its name. */
    label?: string;
    title?: string;
}) {
    const [isOpen, setOpen] = useState(false);
    return (
        <>
            <button className="bare quiet shrink-0" aria-label={label} title={title} onClick={() => setOpen(true)}>
                {name}
            </button>
            {isOpen && <Help at={at} onClose={() => setOpen(false)} />}
        </>
    );
}

/** The mark beside a title: opens the manual at what it says about that. */
export function HelpMark({ at, about }: { at: string; about: string }) {
    const title = `The manual: ${about}`;
    return <HelpButton at={at} name="?" label={title} title={title} />;
}
