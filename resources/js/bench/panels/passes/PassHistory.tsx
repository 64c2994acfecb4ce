/** What was painted in a pass, by whom and when, and the way back to any of it. */
import { useQuery } from '@tanstack/react-query';
import { api } from '../../../api/client';
import type { PaintedState } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { Fold } from '../../../ui/Fold';
import { usePage, useSession } from '../../model/context';

export function PassHistory({ id }: { id: string }) {
    return (
        <Fold title="What was painted" help="light#passes">
            <Painted id={id} />
        </Fold>
    );
}

function Painted({ id }: { id: string }) {
    const session = useSession();
    const may = usePage(mayColour);
    const page = usePage((view) => view.id);
    const revision = usePage((view) => view.revision);
    const { data } = useQuery({
        queryKey: ['painted', page, id, revision],
        queryFn: () => api.passHistory(page, id),
        placeholderData: (before) => before,
    });
    if (data === undefined) return <p className="quiet">Looking …</p>;
    if (data.length === 0) return <p className="quiet">Nothing is painted in it yet.</p>;
    return (
        <ol className="flex max-h-48 flex-col overflow-y-auto">
            {data.map((entry, i) => (
                <li key={entry.entry} className="rule-b flex items-center gap-2 py-1">
                    <Told entry={entry} />
                    {i > 0 && (
                        <button
                            className="bare text-[12px]"
                            disabled={!may}
                            onClick={() => void session.restorePass(id, entry.entry)}
                        >
                            Back to this
                        </button>
                    )}
                </li>
            ))}
        </ol>
    );
}

function Told({ entry: { title, who, when } }: { entry: PaintedState }) {
    const at = new Date(when).toLocaleString('en-GB', {
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
    });
    return (
        <span className="min-w-0 flex-1">
            <span className="block truncate" title={title}>
                {title}
            </span>
            <span className="quiet block truncate text-[11.5px] leading-tight">
                {who ?? 'Somebody'}, {at}
            </span>
        </span>
    );
}
