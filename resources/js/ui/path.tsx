import { useSyncExternalStore, type AnchorHTMLAttributes } from 'react';

const subscribe = (listener: () => void): (() => void) => {
    window.addEventListener('popstate', listener);
    return () => window.removeEventListener('popstate', listener);
};

export const usePath = (): string => useSyncExternalStore(subscribe, () => window.location.pathname);

export function go(path: string): void {
    window.history.pushState(null, '', path);
    window.dispatchEvent(new PopStateEvent('popstate'));
}

/** A link inside the application: the browser's own for everything but a plain click. */
export function Link({ href, ...rest }: AnchorHTMLAttributes<HTMLAnchorElement> & { href: string }) {
    return (
        <a
            {...rest}
            href={href}
            onClick={(event) => {
                if (event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey) {
                    event.preventDefault();
                    go(href);
                }
            }}
        />
    );
}
