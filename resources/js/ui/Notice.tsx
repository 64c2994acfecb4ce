/** A message the person should read; stays until they have. */
export function Notice({ text, onClose }: { text: string | null; onClose: () => void }) {
    if (text === null) return null;
    return (
        <div
            role="alert"
            className="absolute left-1/2 top-3 z-20 flex w-max max-w-[min(36rem,92%)] -translate-x-1/2 items-start gap-3 border border-base-content/40 bg-base-100 px-4 py-2"
        >
            <span className="pt-1">{text}</span>
            <button className="bare shrink-0" onClick={onClose}>
                Got it
            </button>
        </div>
    );
}
