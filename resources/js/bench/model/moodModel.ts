/** What the Mood stage shows beside the page as it is. */
export interface MoodView {
    /** The picture of the page in another mood that it is held against; null: it is held against none. */
    compared: string | null;
    /** How much of the page, from the left, shows it as it is; the other mood lies right of that. */
    edge: number;
    /** Whether the other mood covers all of it, while a key or a button is held. */
    isComparing: boolean;
}

export const moodAtFirst = (): MoodView => ({ compared: null, edge: 0.5, isComparing: false });

/** What another stage begins without. */
export const moodLeft: Partial<MoodView> = { compared: null, isComparing: false };
