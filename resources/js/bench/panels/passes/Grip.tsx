/** What a pass, or a group of them, is dragged by. */
import type { useSortable } from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
    of: Pick<ReturnType<typeof useSortable>, 'attributes' | 'listeners'>;
    name: string;
    title?: string;
    disabled: boolean;
    children?: ReactNode;
}

export function Grip({ of: { attributes, listeners }, name, title, disabled, children }: Props) {
    return (
        <button
            className="bare grip quiet"
            disabled={disabled}
            {...attributes}
            {...listeners}
            data-keys
            aria-label={name}
            title={title}
        >
            <GripVertical size={14} aria-hidden />
            {children}
        </button>
    );
}
