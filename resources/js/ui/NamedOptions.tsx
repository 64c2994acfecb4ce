/** Things with names, to be picked from in a list. */
interface Props {
    of: readonly { id: number; name: string }[];
}

export const NamedOptions = ({ of }: Props) =>
    of.map(({ id, name }) => (
        <option key={id} value={id}>
            {name}
        </option>
    ));
