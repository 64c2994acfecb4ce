import type { PageCardState } from '../api/generated';

/** A page as a small picture; a sheet of paper while it is empty. */
export function PagePicture({ page, paletteVersion = 0 }: { page: PageCardState; paletteVersion?: number }) {
    return (
        <span className="relative block aspect-[12/17] w-full overflow-hidden border border-base-300 bg-white">
            {page.regions > 0 ? (
                <img
                    src={`/api/pages/${page.id}/picture?${page.revision}-${paletteVersion}`}
                    alt=""
                    loading="lazy"
                    className="h-full w-full object-contain"
                />
            ) : (
                <span className="absolute inset-0 grid place-items-center p-3 text-center text-sm text-neutral-600">
                    {page.waiting ? 'A scan is waiting to be imported' : 'No line art yet'}
                </span>
            )}
        </span>
    );
}

export function progressOf(page: PageCardState): string {
    if (page.regions === 0) return page.waiting ? 'scan to import' : 'waiting for line art';
    if (page.unfilled > 0) return `${page.regions - page.unfilled} of ${page.regions} regions filled`;
    return page.passes === 0 ? 'flats done' : `flats done, ${page.passes} ${page.passes === 1 ? 'pass' : 'passes'}`;
}
