/** A page by two versions of the palette, side by side. */
import { api } from '../api/client';

interface Props {
    series: number;
    page: number;
    /** Names the palette now: another picture for another one. */
    state: string;
    /** Version 0: the palette now. */
    sides: { version: number; name: string }[];
}

export function TwoPictures({ series, page, state, sides }: Props) {
    return (
        <div className="grid w-full grid-cols-2 gap-3">
            {sides.map(({ version, name }, side) => (
                <figure key={side}>
                    <img
                        src={api.pageAsUrl(series, page, version, state)}
                        alt={`The page ${name}`}
                        className="max-h-80 w-full object-contain object-left-top"
                    />
                    <figcaption className="quiet text-[13px]">{name}</figcaption>
                </figure>
            ))}
        </div>
    );
}
