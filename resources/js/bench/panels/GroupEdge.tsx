/** The scalloped edge of passes that are taken as one: by it all of them are moved. */
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { mayColour } from '../../page/store';
import { usePage } from '../model/context';
import { edgeOf } from '../model/passPlaces';

export function GroupEdge({ group, names }: { group: string; names: string[] }) {
    const may = usePage(mayColour);
    const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: edgeOf(group), disabled: !may });
    return (
        <li ref={setNodeRef} className="group-edge" style={{ transform: CSS.Translate.toString(transform), transition }}>
            <button
                className="bare grip quiet"
                disabled={!may}
                {...attributes}
                {...listeners}
                data-keys
                aria-label={`Move the group of ${names.join(', ')}`}
                title={`Taken as one: ${names.join(', ')}. Drag to move them together`}
            >
                <GripVertical size={14} aria-hidden />
                <span className="text-[11.5px]">{names.length} as one</span>
            </button>
            <div className="valance" />
        </li>
    );
}
