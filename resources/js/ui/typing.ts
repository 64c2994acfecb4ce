/** Where keys are for writing or choosing, they are left alone. */
export function isTyping(target: EventTarget | null): boolean {
    if (!(target instanceof HTMLElement)) return false;
    return (
        target.matches('input:not([type=range]):not([type=checkbox]), select, textarea, [contenteditable=true]') ||
        target.closest('dialog[open]') !== null
    );
}
