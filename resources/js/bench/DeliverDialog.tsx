/** A copy to take away, in one of a few formats. */
import { sizeOf } from '../page/store';
import { Dialog } from '../ui/Dialog';
import { usePage, useSession } from './model/context';

const FORMATS = [
    { format: 'png', name: 'PNG', use: 'for the screen, lossless' },
    { format: 'tiff', name: 'TIFF', use: 'for print' },
    { format: 'jpeg', name: 'JPEG', use: 'for the web, small' },
    { format: 'ora', name: 'OpenRaster', use: 'with its layers, for other programs' },
    { format: 'flats', name: 'Flats alone', use: 'a PNG of the base colours, nothing smoothed' },
    { format: 'flats-figures', name: 'Flats by figure', use: 'OpenRaster, a layer for each figure' },
    { format: 'flats-materials', name: 'Flats by material', use: 'OpenRaster, a layer for each material' },
];

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
                {FORMATS.map(({ format, name, use }) => (
                    <li key={format} className="flex items-center gap-3">
                        <button className="act w-40 justify-center" onClick={() => take(format)}>
                            {name}
                        </button>
                        <span className="quiet">{use}</span>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
