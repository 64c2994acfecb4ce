/** One pass in the awning; opened, what it can be set to. */
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { PassData } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { passKindOf } from '../../../picture/passKinds/registry';
import { useBench, useBenchModel, usePage } from '../../model/context';
import { Grip } from './Grip';
import { maskWords } from './MaskChoice';
import { PassSettings } from './PassSettings';
import { PassThumb } from './PassThumb';

interface Props {
    id: string;
    pass: PassData;
    /** The pass that lies under it. */
    below: [string, PassData] | null;
    isActive: boolean;
    isOpen: boolean;
    /** Px down that its group is dragged; null: it stays. */
    carriedBy: number | null;
    onOpen: () => void;
}

export function Slat({ id, pass, below, isActive, isOpen, carriedBy, onOpen }: Props) {
    const bench = useBenchModel();
    const may = usePage(mayColour);
    const palette = usePage((view) => view.palette);
    const sortable = useSortable({ id, disabled: !may });
    const { setNodeRef, transform, transition } = sortable;
    const kind = passKindOf(pass.content);
    const isPainted = kind.holds !== null;
    const flats = usePage((view) => view.stack.flats);
    const background = kind.swatch(kind.onPage?.(pass.content, palette, flats) ?? pass.content, pass, palette);
    const isAlone = useBench((view) => view.solo === id);
    const masked = usePage((view) => maskWords(pass, view.records.pass));
    const words = [isAlone ? 'alone' : null, blendWords(pass), masked].filter((word) => word !== null).join(' · ');
    return (
        <li
            ref={setNodeRef}
            className={carriedBy === null ? '' : 'relative z-10'}
            style={
                carriedBy === null
                    ? { transform: CSS.Translate.toString(transform), transition }
                    : { transform: `translateY(${carriedBy}px)` }
            }
        >
            <div className={`slat ${isActive ? 'stripe-side' : ''}`} data-rolled={!pass.visible}>
                <div className="flex items-center gap-1 py-0.5 pl-2 pr-1">
                    <Grip of={sortable} disabled={!may} name={`Move ${pass.name}`} />
                    <span
                        className={`h-[22px] shrink-0 ${isPainted ? 'w-2' : 'w-[46px] border border-base-300'}`}
                        style={{ background }}
                    />
                    {isPainted && <PassThumb id={id} pass={pass} />}
                    <button
                        className="bare min-w-0 flex-1 py-0.5 text-left"
                        aria-pressed={isActive}
                        title={`${pass.name}: paint in this pass`}
                        onClick={() => bench.pickPass(id)}
                    >
                        <span className="block truncate">{pass.name}</span>
                        {words !== '' && (
                            <span className="quiet figures block truncate text-[11.5px] leading-tight">{words}</span>
                        )}
                    </button>
                    <button
                        className="bare quiet text-[12px]"
                        aria-expanded={isOpen}
                        aria-label={`Set ${pass.name}`}
                        onClick={onOpen}
                    >
                        Set
                    </button>
                </div>
                {isOpen && <PassSettings id={id} pass={pass} below={below} />}
            </div>
        </li>
    );
}

/** How a pass is laid, where that is not plainly. */
function blendWords({ mode, opacity }: PassData): string | null {
    const words = [mode === 'normal' ? null : mode, opacity === 1 ? null : `${Math.round(opacity * 100)} %`];
    return words.every((word) => word === null) ? null : words.filter((word) => word !== null).join(' ');
}
