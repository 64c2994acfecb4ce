import { Dialog } from '../ui/Dialog';
import { KEYS } from './keymap';

export function KeySheet({ onClose }: { onClose: () => void }) {
    return (
        <Dialog title="Keys" onClose={onClose}>
            <dl className="grid grid-cols-[auto_1fr_auto_1fr] gap-x-3 gap-y-1.5">
                {KEYS.map(({ shown, what }) => (
                    <div key={shown} className="contents">
                        <dt>
                            <kbd className="key whitespace-nowrap">{shown}</kbd>
                        </dt>
                        <dd>{what}</dd>
                    </div>
                ))}
            </dl>
        </Dialog>
    );
}
