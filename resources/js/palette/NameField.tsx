/** A name that is changed by typing another and leaving the field. */
interface Props {
    name: string;
    onRename: (name: string) => void;
}

export function NameField({ name, onRename }: Props) {
    const leave = (typed: string): void => {
        if (typed.trim() !== '' && typed !== name) onRename(typed);
    };
    return (
        <label className="flex flex-col gap-0.5">
            <span className="quiet">Name</span>
            <input
                className="field w-40"
                maxLength={80}
                defaultValue={name}
                onBlur={(event) => leave(event.target.value)}
            />
        </label>
    );
}
