/** How moods of the series are changed; the strip shows what came of it. */
import { useQueryClient } from '@tanstack/react-query';
import type { SeriesOpInput } from '../../../api/seriesOps';
import { seriesOutbox } from '../../../page/seriesOutbox';
import { useSession } from '../../model/context';

type MoodOp = 'mood.keep' | 'mood.change' | 'mood.retire';

/** @returns a function that says whether the change was made */
export function useMoodOps(series: number) {
    const session = useSession();
    const client = useQueryClient();
    return async <Kind extends MoodOp>(kind: Kind, input: SeriesOpInput<Kind>): Promise<boolean> => {
        const answer = await session.answer(seriesOutbox(series).apply(kind, input));
        if (answer !== null) client.setQueryData(['moods', series], answer.shown);
        // Refused, somebody else may have changed them.
        else void client.invalidateQueries({ queryKey: ['moods', series] });
        return answer !== null;
    };
}
