/** The moods of the series, and which state of the page their pictures are of. */
import { useQuery } from '@tanstack/react-query';
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import { usePage } from '../../model/context';
import { picturedState } from '../../model/moodModel';

export function useMoodPictures(): { moods: MoodState[]; state: string } {
    const series = usePage((view) => view.series.id);
    const state = usePage(picturedState);
    const { data } = useQuery({ queryKey: ['moods', series], queryFn: () => api.moods(series) });
    return { moods: data ?? [], state };
}
