import { useState } from 'react';
import { api } from '../api/client';
import type { PageCardState } from '../api/generated';

/** A page as a small picture; while it is empty the scan that waits for it, or a sheet of paper that says so. */
export function PagePicture({ page, paletteVersion = 0 }: { page: PageCardState; paletteVersion?: number }) {
    const [state, setState] = useState<'coming' | 'here' | 'missing'>('coming');
    const url =
        page.regions > 0
            ? `/api/pages/${page.id}/picture?${page.revision}-${paletteVersion}`
            : page.scan !== null
              ? api.originalUrl(page.id, { original: page.scan, picture: 1 })
              : null;
    return (
        <span
            className={`relative block aspect-[12/17] w-full overflow-hidden border border-base-300 ${url !== null && state === 'coming' ? 'bg-base-200' : 'bg-white'}`}
        >
            {url !== null && state === 'coming' && (
                <span className="quiet absolute inset-0 grid place-items-center p-3 text-center text-sm">
                    Its picture is on the way
                </span>
            )}
            {url !== null && state !== 'missing' ? (
                <img
                    src={url}
                    alt=""
                    loading="lazy"
                    className={`relative h-full w-full object-contain ${state === 'here' ? '' : 'opacity-0'}`}
                    onLoad={() => setState('here')}
                    onError={() => setState('missing')}
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
