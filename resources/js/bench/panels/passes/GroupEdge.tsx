/** The scalloped edge of passes that are taken as one: by it all of them are moved. */
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { mayColour } from '../../../page/store';
import { usePage } from '../../model/context';
import { edgeOf } from '../../model/passPlaces';
import { Grip } from './Grip';

export function GroupEdge({ group, names }: { group: string; names: string[] }) {
    const may = usePage(mayColour);
    const sortable = useSortable({ id: edgeOf(group), disabled: !may });
    const { setNodeRef, transform, transition } = sortable;
    return (
        <li
            ref={setNodeRef}
            className="group-edge"
            style={{ transform: CSS.Translate.toString(transform), transition }}
        >
            <Grip
                of={sortable}
                disabled={!may}
                name={`Move the group of ${names.join(', ')}`}
                title={`Taken as one: ${names.join(', ')}. Drag to move them together`}
            >
                <span className="text-[11.5px]">{names.length} as one</span>
            </Grip>
            <div className="valance" />
        </li>
    );
}
