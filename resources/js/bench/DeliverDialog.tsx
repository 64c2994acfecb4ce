/** A copy to take away, in one of a few forms. */
import { DELIVERIES } from '../api/generated';
import { sizeOf } from '../page/store';
import { Dialog } from '../ui/Dialog';
import { usePage, useSession } from './model/context';

export function DeliverDialog({ onClose }: { onClose: () => void }) {
    const session = useSession();
    const size = usePage(sizeOf);
    const dpi = size !== null && size.dpi > 0 ? `, ${size.dpi} dpi` : '';
    const measure = size === null ? '' : `: ${size.width} × ${size.height} px${dpi}`;
    const take = (format: string): void => {
        void session.work.deliver(format);
        onClose();
    };
    return (
        <Dialog title="Deliver a copy" onClose={onClose}>
            <p className="quiet mb-3">A new file each time, at full size{measure}. The page itself stays as it is.</p>
            <ul className="flex flex-col gap-2">
                {DELIVERIES.map(({ format, title, purpose }) => (
                    <li key={format} className="flex items-center gap-3">
                        <button className="act w-40 justify-center" onClick={() => take(format)}>
                            {title}
                        </button>
                        <span className="quiet">{purpose}</span>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
