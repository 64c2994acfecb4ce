/** The brushes there are, each with a stroke it makes; and the way to one's own. */
import { ChevronUp } from 'lucide-react';
import { useState } from 'react';
import type { BoxedBrush } from '../../api/generated';
import { BrushMaker } from './BrushMaker';
import { BrushSample } from './BrushSample';
import { useBench, useBenchModel, usePage } from '../model/context';

export function BrushChoice() {
    const bench = useBenchModel();
    const brushes = usePage((view) => view.brushes);
    const picked = useBench((view) => view.boxed) ?? brushes[0];
    const [isOpen, setOpen] = useState(false);
    const [isMaking, setMaking] = useState(false);
    const pick = (boxed: BoxedBrush): void => {
        bench.paint.take(boxed);
        bench.set({ size: boxed.size });
        setOpen(false);
    };
    return (
        <div className="relative">
            <button
                className="act"
                aria-expanded={isOpen}
                aria-haspopup="listbox"
                title={picked.what}
                onClick={() => setOpen(!isOpen)}
            >
                {picked.name} <ChevronUp size={14} aria-hidden />
            </button>
            {isOpen && (
                <div className="absolute bottom-full left-0 z-20 mb-1.5 max-h-[540px] w-[560px] overflow-y-auto border border-base-300 bg-base-100 p-1.5">
                    {!isMaking && (
                        <BrushList brushes={brushes} picked={picked} onPick={pick} onLeave={() => setOpen(false)} />
                    )}
                    <button className="act my-1" aria-expanded={isMaking} onClick={() => setMaking(!isMaking)}>
                        {isMaking ? 'Leave it as it is' : `Make another of ${picked.name}`}
                    </button>
                    {isMaking && (
                        <BrushMaker key={`${picked.id} ${picked.name}`} from={picked} onTaken={() => setOpen(false)} />
                    )}
                </div>
            )}
        </div>
    );
}

interface ListProps {
    brushes: BoxedBrush[];
    picked: BoxedBrush;
    onPick: (boxed: BoxedBrush) => void;
    onLeave: () => void;
}

function BrushList({ brushes, picked, onPick, onLeave }: ListProps) {
    return (
        <ul
            role="listbox"
            aria-label="Brushes"
            className="grid grid-cols-2 gap-0.5"
            onKeyDown={(event) => event.key === 'Escape' && onLeave()}
        >
            {brushes.map((boxed) => (
                <li key={boxed.name} role="option" aria-selected={boxed.name === picked.name}>
                    <button
                        className={`bare flex w-full items-center gap-2 p-1 text-left ${boxed.name === picked.name ? 'stripe-side' : ''}`}
                        onClick={() => onPick(boxed)}
                    >
                        <BrushSample brush={boxed} />
                        <span className="min-w-0">
                            <span className="block truncate">{boxed.name}</span>
                            <span className="quiet block whitespace-normal text-[12px] leading-tight">
                                {boxed.what}
                            </span>
                        </span>
                    </button>
                </li>
            ))}
        </ul>
    );
}
