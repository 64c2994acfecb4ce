/** What happened to the palette: who did what when, with the ramps before and after. */
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { HistoryEntryState, RampsState } from '../api/generated';
import { Ramp } from '../ui/Ramp';

export function HistoryPart({ series }: { series: number }) {
    const { data: entries } = useQuery({ queryKey: ['history', series], queryFn: () => api.paletteHistory(series) });
    if (entries === undefined) return <p className="quiet">Looking …</p>;
    return (
        <div className="flex flex-col gap-2">
            <h2 className="heading text-base">What happened to this palette</h2>
            {entries.length === 0 && (
                <p>Nothing yet. Every change to a figure, a material, a tone or the rule will stand here.</p>
            )}
            <ol className="flex flex-col">
                {entries.map((entry) => (
                    <Entry key={entry.version} entry={entry} />
                ))}
            </ol>
        </div>
    );
}

function Entry({ entry }: { entry: HistoryEntryState }) {
    return (
        <li className="rule-b flex items-start gap-3 py-2">
            <div className="min-w-0 flex-1">
                <p className="truncate">{entry.title}</p>
                <p className="quiet text-[13px]">
                    {entry.who ?? 'Somebody'},{' '}
                    {new Date(entry.when).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
                </p>
            </div>
            <div className="flex flex-col gap-1">
                {entry.ramps.map((ramps, i) => (
                    <div key={i} className="flex items-center gap-1.5" title={ramps.name}>
                        <Then tones={ramps.before} />
                        <span aria-label="became">→</span>
                        <Then tones={ramps.after} />
                    </div>
                ))}
            </div>
        </li>
    );
}

function Then({ tones }: { tones: RampsState['before'] }) {
    if (tones === null) return <span className="quiet w-[84px] text-center text-[12px]">not there</span>;
    return <Ramp tones={tones} size="h-4 w-[14px]" />;
}
