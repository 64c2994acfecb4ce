/** The palette's materials in a list that opens, figure by figure. */
import { usePage } from '../../model/context';

/** @param but a material that is left out */
export function MaterialOptions({ but }: { but?: number }) {
    const figures = usePage((view) => view.palette.figures);
    return figures.map((figure) => (
        <optgroup key={figure.id} label={figure.name}>
            {figure.materials
                .filter(({ id }) => id !== but)
                .map(({ id, name }) => (
                    <option key={id} value={id}>
                        {name}
                    </option>
                ))}
        </optgroup>
    ));
}
