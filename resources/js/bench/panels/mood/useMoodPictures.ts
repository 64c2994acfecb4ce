/** The moods of the series, and which state of the page their pictures are of. */
import { useQuery } from '@tanstack/react-query';
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import { usePage } from '../../model/context';

/** Pictures are made anew after so many changes of the page. */
const FRESH = 10;

export function useMoodPictures(): { moods: MoodState[]; state: string } {
    const series = usePage((view) => view.series.id);
    // What lies beneath the moods: when it changes, the pictures do.
    const state = usePage((view) => `${view.palette.version}-${Math.floor(view.revision / FRESH)}`);
    const { data } = useQuery({ queryKey: ['moods', series], queryFn: () => api.moods(series) });
    return { moods: data ?? [], state };
}
