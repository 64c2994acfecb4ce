/** What picked regions have instead of what the whole page has. */
import { NamedOptions } from '../../../ui/NamedOptions';

const OF_THE_PAGE = 'page';

interface Props {
    label: string;
    /** Read out, where the label does not say it. */
    name?: string;
    title?: string;
    disabled: boolean;
    /** What each of them has; null: what the page has. */
    has: (number | null)[];
    options: readonly { id: number; name: string }[];
    onPick: (id: number | null) => void;
}

export function PickedChoice({ label, name, title, disabled, has, options, onPick }: Props) {
    const values = new Set(has.map((id) => String(id ?? OF_THE_PAGE)));
    return (
        <label className="flex items-center gap-2 text-[13px]" title={title}>
            <span className="shrink-0">{label}</span>
            <select
                className="field min-w-0 flex-1"
                aria-label={name}
                disabled={disabled}
                value={values.size === 1 ? [...values][0] : ''}
                onChange={(event) => onPick(event.target.value === OF_THE_PAGE ? null : Number(event.target.value))}
            >
                {values.size > 1 && <option value="">several</option>}
                <option value={OF_THE_PAGE}>as the whole page</option>
                <NamedOptions of={options} />
            </select>
        </label>
    );
}
