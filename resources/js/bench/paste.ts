/** Pictures that are pasted in the Ink stage are drawings to bring in. */
import { mayFlat } from '../page/store';
import { isGoing } from '../api/tasks';
import { isTyping } from '../ui/typing';
import type { BenchModel } from './model/model';

/** Listens until the answer is called. */
export function listenForPaste(bench: BenchModel): () => void {
    const paste = (event: ClipboardEvent): void => {
        const { view } = bench.session;
        const files = [...(event.clipboardData?.files ?? [])].filter((file) => file.type.startsWith('image/'));
        if (
            bench.view.stage !== 'ink' ||
            files.length === 0 ||
            isTyping(event.target) ||
            !mayFlat(view) ||
            isGoing(view.task)
        )
            return;
        event.preventDefault();
        void bench.session.work.importScans(files);
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
}
