import { useState } from 'react';
import { api } from '../api/client';
import type { PageCardState } from '../api/generated';

/** A page as a small picture; while it is empty the scan that waits for it, or a sheet of paper that says so. */
export function PagePicture({ page, paletteVersion = 0 }: { page: PageCardState; paletteVersion?: number }) {
    const [isMissing, setMissing] = useState(false);
    const url =
        page.regions > 0
            ? `/api/pages/${page.id}/picture?${page.revision}-${paletteVersion}`
            : page.scan !== null
              ? api.originalUrl(page.id, { original: page.scan, picture: 1 })
              : null;
    return (
        <span className="relative block aspect-[12/17] w-full overflow-hidden border border-base-300 bg-white">
            {url !== null && !isMissing ? (
                <img src={url} alt="" loading="lazy" className="h-full w-full object-contain" onError={() => setMissing(true)} />
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
