/** The manual as it is searched: chapter by chapter, paragraph under heading. */
import type { ManualChapter } from '../api/generated';

export interface Result {
    /** Like "flats#sweep". */
    place: string;
    /** The chapter, and the heading in it. */
    title: string;
    /** Some words on either side of what was found. */
    around: string;
}

const AROUND = 70;

/** The id of a heading in a chapter, as the server makes it. */
export const anchorOf = (heading: string): string => heading.toLowerCase().replace(/\s+/g, '-');

/** Where all words that are wanted stand under one heading; those with the words in the heading come first. */
export function found(chapters: readonly ManualChapter[], wanted: string): Result[] {
    const words = wanted
        .toLowerCase()
        .split(/\s+/)
        .filter((word) => word !== '');
    if (words.length === 0) return [];
    const results = chapters.flatMap((chapter) =>
        chapter.sections
            .filter(({ title, text }) => words.every((word) => `${title} ${text}`.toLowerCase().includes(word)))
            .map(({ id, title, text }) => ({
                place: id === '' ? chapter.id : `${chapter.id}#${id}`,
                title: title === chapter.title ? title : `${chapter.title}: ${title}`,
                around: around(text, words),
                isTitled: words.every((word) => title.toLowerCase().includes(word)),
            })),
    );
    return [...results.filter(({ isTitled }) => isTitled), ...results.filter(({ isTitled }) => !isTitled)].map(
        ({ place, title, around }) => ({
            place,
            title,
            around,
        }),
    );
}

function around(text: string, words: readonly string[]): string {
    const places = words.map((word) => text.toLowerCase().indexOf(word)).filter((at) => at >= 0);
    const at = places.length === 0 ? 0 : Math.min(...places);
    // Whole words only.
    const from = at <= AROUND ? 0 : text.indexOf(' ', at - AROUND) + 1;
    const end = text.lastIndexOf(' ', at + AROUND);
    const to = text.length <= at + AROUND || end <= at ? text.length : end;
    return `${from > 0 ? '… ' : ''}${text.slice(from, to)}${to < text.length ? ' …' : ''}`;
}
