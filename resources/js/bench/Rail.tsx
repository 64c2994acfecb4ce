/** The top rail: where one is, the five stages with what is left to do, and what is saved. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { JournalState } from '../api/generated';
import { mayFlat, sizeOf } from '../page/store';
import { HelpButton } from '../ui/Help';
import { anchorOf } from '../ui/manual';
import { ThemeSwitch } from '../ui/theme';
import { useBench, useBenchModel, usePage, useSession } from './model/context';
import { DeliverDialog } from './DeliverDialog';
import { SavingState } from './SavingState';
import { STAGES, type Stage } from './stages/stage';
import { TOOLS } from './tools/registry';

export function Rail() {
    const bench = useBenchModel();
    const isEmpty = usePage((view) => sizeOf(view) === null);
    const [isDelivering, setDelivering] = useState(false);
    return (
        <header className="rule-b flex h-11 shrink-0 items-stretch gap-3 px-3">
            <Where />
            <nav className="mx-auto flex items-stretch" aria-label="Stages">
                {STAGES.map((stage) => (
                    <StageButton key={stage.id} stage={stage} />
                ))}
            </nav>
            <div className="flex items-center gap-0.5">
                <UndoButtons />
                <SavingState />
                <ThemeSwitch onChange={() => bench.surface?.refresh()} />
                <PicturesButton />
                <BenchHelp />
                <button className="bare quiet" title="All keys (?)" onClick={() => bench.set({ isKeySheetOpen: true })}>
                    Keys
                </button>
                <button className="act" disabled={isEmpty} onClick={() => setDelivering(true)}>
                    Deliver
                </button>
            </div>
            {isDelivering && <DeliverDialog onClose={() => setDelivering(false)} />}
        </header>
    );
}

/** The manual at the chapter of the stage, and there at the tool in hand. */
function BenchHelp() {
    const stage = useBench((view) => view.stage);
    const tool = TOOLS[useBench((view) => view.tool)];
    return (
        <HelpButton at={`${stage}#${anchorOf(tool.name)}`} title={`The manual: ${tool.name}, and all of this stage`} />
    );
}

function Where() {
    const series = usePage((view) => view.series);
    const number = usePage((view) => view.number);
    const title = usePage((view) => view.title);
    return (
        <nav className="flex min-w-0 items-center gap-1.5" aria-label="Where you are">
            <Link to="/" className="quiet hover:underline">
                Shelf
            </Link>
            <span className="quiet">/</span>
            <Link to={`/series/${series.id}`} className="quiet truncate hover:underline" title={series.name}>
                {series.name}
            </Link>
            <span className="quiet">/</span>
            <span className="heading whitespace-nowrap" title={title}>
                p. {number}
            </span>
        </nav>
    );
}

function StageButton({ stage }: { stage: Stage }) {
    const bench = useBenchModel();
    const isPicked = useBench((view) => view.stage === stage.id);
    const odd = useBench(
        (view) => view.findings?.filter((one) => one.stage === 'flats').reduce((sum, one) => sum + one.count, 0) ?? 0,
    );
    const left = usePage((view) => stage.left(view, odd));
    return (
        <button
            className={`flex items-center gap-1.5 px-3.5 ${isPicked ? 'stripe heading z-10' : ''}`}
            aria-pressed={isPicked}
            onClick={() => bench.choose(stage.id)}
        >
            {stage.name}
            <span className="quiet figures text-[12px]">{left}</span>
        </button>
    );
}

function PicturesButton() {
    const bench = useBenchModel();
    const isOpen = useBench((view) => view.arePicturesOpen);
    return (
        <button
            className="bare"
            aria-pressed={isOpen}
            title="Pictures beside the work"
            onClick={() => bench.set({ arePicturesOpen: !isOpen })}
        >
            pictures
        </button>
    );
}

function UndoButtons() {
    const session = useSession();
    const journal = usePage((view) => view.journal);
    const may = usePage(mayFlat);
    const title = (verb: 'undo' | 'redo'): string | undefined => titleOf(journal, verb);
    return (
        <>
            <button
                className="bare"
                disabled={!may || journal.undo === null}
                title={title('undo')}
                onClick={() => session.undo()}
            >
                undo
            </button>
            <button
                className="bare"
                disabled={!may || journal.redo === null}
                title={title('redo')}
                onClick={() => session.redo()}
            >
                redo
            </button>
        </>
    );
}

function titleOf(journal: JournalState, verb: 'undo' | 'redo'): string | undefined {
    const title = journal[verb];
    return title === null ? undefined : `${verb === 'undo' ? 'Undo' : 'Redo'}: ${title}`;
}
