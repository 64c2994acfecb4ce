import { api } from '../../api/client';
import type { PageView } from '../../page/store';

/** What the Mood stage shows beside the page as it is. */
export interface MoodView {
    /** The key of the mood that the page is held against; null: it is held against none. */
    compared: string | null;
    /** How much of the page, from the left, shows it as it is; the other mood lies right of that. */
    edge: number;
    /** Whether the other mood covers all of it, while a key or a button is held. */
    isComparing: boolean;
}

/** Pictures are made anew after so many changes of the page. */
const FRESH = 10;

/** The state of what lies beneath the moods, as addresses of pictures name it: when that changes, the pictures do. */
export const picturedState = ({ palette, revision }: PageView): string =>
    `${palette.version}-${Math.floor(revision / FRESH)}`;

/** The address of the page's picture in a mood. */
export const moodPicture = (page: PageView, mood: string, size: 'small' | 'large' = 'small'): string =>
    api.moodPictureUrl(page.id, mood, picturedState(page), size);

export const moodAtFirst = (): MoodView => ({ compared: null, edge: 0.5, isComparing: false });

/** What another stage begins without. */
export const moodLeft: Partial<MoodView> = { compared: null, isComparing: false };
