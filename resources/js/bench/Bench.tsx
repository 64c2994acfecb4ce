/** The bench: palette at the left, the page in the middle, what the stage needs at the right. */
import { useEffect } from 'react';
import type { SurfaceRenderer } from './surface/render';
import type { PageSession } from '../page/session';
import { sizeOf } from '../page/store';
import type { ComposePool } from '../picture/pool';
import { Notice } from '../ui/Notice';
import { BenchProvider, useBench, useBenchModel, usePage, useSession } from './model/context';
import { ImportBox } from './panels/ink/ImportBox';
import { KeySheet } from './KeySheet';
import { listen } from './keymap';
import { listenForPaste } from './paste';
import type { BenchModel } from './model/model';
import { PaletteBoard } from './palette/PaletteBoard';
import { ReadView } from './panels/read/ReadView';
import { PicturesPane } from './PicturesPane';
import { PinnedMaquette } from './PinnedMaquette';
import { Rail } from './Rail';
import { PANELS } from './panels/registry';
import { Surface } from './surface/Surface';
import { TargetLine } from './TargetLine';
import { TaskBar } from './TaskBar';
import { ToolStrip } from './ToolStrip';

declare global {
    interface Window {
        /** For browser tests: the page that is open, the bench, and what draws it. */
        awning?: { session: PageSession; bench: BenchModel; renderer: SurfaceRenderer | null };
    }
}

export function Bench({ bench, pool }: { bench: BenchModel; pool: ComposePool }) {
    useEffect(() => listen(bench), [bench]);
    useEffect(() => listenForPaste(bench), [bench]);
    return (
        <BenchProvider bench={bench} pool={pool}>
            <div className="flex h-full min-h-0 flex-col">
                <Rail />
                <div className="flex min-h-0 flex-1">
                    <aside className="rule-r w-[252px] shrink-0 overflow-hidden" aria-label="Palette">
                        <PaletteBoard />
                    </aside>
                    <Middle />
                    <RightColumn />
                </div>
                <TargetLine />
                <Keys />
            </div>
        </BenchProvider>
    );
}

function Middle() {
    const bench = useBenchModel();
    const session = useSession();
    const stage = useBench((view) => view.stage);
    const isMirrored = useBench((view) => view.mirror);
    const message = usePage((view) => view.message);
    const isEmpty = usePage((view) => sizeOf(view) === null);
    return (
        <main className="relative min-w-0 flex-1" aria-label="Bench">
            <Surface />
            <Notice text={message} onClose={() => session.say(null)} />
            {isMirrored && (
                <p className="absolute right-3 top-3 border border-primary bg-base-100 px-2 py-0.5 text-primary">
                    View mirrored: V turns it back
                </p>
            )}
            {isEmpty && stage === 'ink' && <ImportBox />}
            {isEmpty && stage !== 'ink' && (
                <div className="absolute inset-0 grid place-items-center">
                    <p className="bg-base-100 px-4 py-2">
                        This page has no line art yet. Go to{' '}
                        <button className="underline" onClick={() => bench.choose('ink')}>
                            Ink
                        </button>{' '}
                        and import a scan.
                    </p>
                </div>
            )}
            <PicturesPane />
            <PinnedMaquette />
            {!isEmpty && <ToolStrip />}
            <TaskBar />
        </main>
    );
}

function RightColumn() {
    const Panel = PANELS[useBench((view) => view.stage)];
    return (
        <aside className="rule-l flex w-[256px] shrink-0 flex-col" aria-label="This stage">
            <Panel />
            <ReadView />
        </aside>
    );
}

function Keys() {
    const bench = useBenchModel();
    const isOpen = useBench((view) => view.isKeySheetOpen);
    return isOpen ? <KeySheet onClose={() => bench.set({ isKeySheetOpen: false })} /> : null;
}
