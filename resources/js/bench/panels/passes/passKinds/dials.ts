import type { ContentData } from '../../../../api/generated';

/** Settings of a content that are numbers. */
type NumberIn<Content> = { [Name in keyof Content]: Content[Name] extends number ? Name : never }[keyof Content];

/** A number of a pass that a slider sets. The slider moves in whole steps. */
export interface Dial<Content extends ContentData> {
    name: NumberIn<Content> & string;
    label: string;
    title?: string;
    least: number;
    most: number;
    /** Steps of the slider for 1 of the number. */
    steps: number;
    unit: string;
    /** What is shown for 1 of the number. */
    scale: number;
}

type Range = [least: number, most: number];

/** Shown in percent. */
export const share = <Content extends ContentData>(
    name: Dial<Content>['name'],
    label: string,
    title?: string,
    [least, most]: Range = [0, 1],
): Dial<Content> => ({ name, label, title, least, most, steps: 100, unit: ' %', scale: 100 });

/** In thousandths of the page's longer side, so that it fits pages of every size. */
export const length = <Content extends ContentData>(
    name: Dial<Content>['name'],
    label: string,
    [least, most]: Range,
): Dial<Content> => ({
    name,
    label,
    title: "1 ‰ is a thousandth of the page's longer side",
    least,
    most,
    steps: 10,
    unit: ' ‰',
    scale: 1,
});

export const direction = <Content extends ContentData>(
    name: Dial<Content>['name'],
    label: string,
    title: string,
): Dial<Content> => ({ name, label, title, least: -180, most: 180, steps: 1, unit: '°', scale: 1 });

/** A whole number. */
export const count = <Content extends ContentData>(
    name: Dial<Content>['name'],
    label: string,
    [least, most]: Range,
    unit = '',
): Dial<Content> => ({ name, label, least, most, steps: 1, unit, scale: 1 });
