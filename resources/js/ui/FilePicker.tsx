import { useRef } from 'react';

/** A button that opens the file chooser. The same file may be chosen twice. */
export function FilePicker({
    label,
    name,
    accept,
    disabled,
    onFiles,
    isMultiple = false,
    isMain = false,
    isNarrow = false,
    title,
}: {
    label: string;
    /** What the file is, for those who do not see the button. */
    name: string;
    accept: string;
    disabled: boolean;
    onFiles: (files: [File, ...File[]]) => void;
    isMultiple?: boolean;
    isMain?: boolean;
    isNarrow?: boolean;
    title?: string;
}) {
    const input = useRef<HTMLInputElement>(null);
    const take = (files: FileList | null): void => {
        const [first, ...rest] = files ?? [];
        if (input.current !== null) input.current.value = '';
        if (first !== undefined) onFiles([first, ...rest]);
    };
    return (
        <>
            <input
                ref={input}
                type="file"
                multiple={isMultiple}
                accept={accept}
                className="hidden"
                aria-label={name}
                onChange={(event) => take(event.target.files)}
            />
            <button
                className={`act ${isMain ? 'main' : ''} ${isNarrow ? 'narrow' : ''}`}
                disabled={disabled}
                title={title}
                onClick={() => input.current?.click()}
            >
                {label}
            </button>
        </>
    );
}
