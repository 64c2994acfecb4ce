/** Whether the server has everything, and what is the matter when it has not. */
import type { PageView } from '../page/store';
import { usePage, useSession } from './model/context';

function said({ saving, unsent, held, holder, role }: PageView): string {
    const changes = `${unsent} ${unsent === 1 ? 'change waits' : 'changes wait'} here`;
    switch (saving) {
        case 'offline':
            return `server lost: ${changes}`;
        case 'failing':
            return `the server fails at a change: ${changes}`;
        case 'signed-out':
            return `signed out: ${changes}`;
        case 'not-held':
            return `${holder ?? 'another window'} has the page: ${changes}`;
        case 'sending':
            return 'sending …';
        case 'saved':
            if (held || role === 'viewer') return 'saved';
            return holder === null ? 'watching' : `watching ${holder}`;
    }
}

export function SavingState() {
    const session = useSession();
    const text = usePage(said);
    const saving = usePage((view) => view.saving);
    const isTrouble = saving !== 'saved' && saving !== 'sending';
    return (
        <span className="flex items-center gap-1.5 px-1.5 text-[13px]">
            <span role="status" className={isTrouble ? 'heading text-error' : 'quiet'}>
                {text}
            </span>
            {saving === 'signed-out' && (
                <>
                    <a className="underline" href="/" target="_blank" rel="noreferrer">
                        Sign in
                    </a>
                    <button className="bare" onClick={() => session.outbox.retry()}>
                        then go on
                    </button>
                </>
            )}
            {saving === 'failing' && (
                <button className="bare" onClick={() => void session.outbox.giveUp()}>
                    Discard this change
                </button>
            )}
        </span>
    );
}
