/** Hangs a rainbow opposite to the light of the page, or says why there is none. */
import { api } from '../../../api/client';
import { randomId } from '../../../page/ids';
import { addPass } from '../../../page/ops/passes/addPass';
import { keepTo } from '../../../page/commands/masks';
import { mayColour } from '../../../page/store';
import { useAsking } from '../../../ui/Form';
import { useBench, usePage, useSession } from '../../model/context';

export function Rainbow() {
    const session = useSession();
    const may = usePage(mayColour);
    const page = usePage((view) => view.id);
    const picked = useBench((view) => view.pickedRegions);
    const { isBusy, error, ask } = useAsking();
    const hang = (): Promise<void> =>
        ask(async () => {
            const content = await api.rainbow(page, picked);
            const scope = { kind: 'page' as const, id: 0 };
            const pass = { name: 'Rainbow', figure: 0, content, scope, mode: 'screen' as const, opacity: 0.5 };
            const id = randomId(12);
            session.apply(addPass({ id, pass }));
            if (picked.length > 0) keepTo(session, id, picked, 0);
        });
    return (
        <div className="flex flex-col gap-1">
            <button className="act self-start" disabled={!may || isBusy} onClick={() => void hang()}>
                {picked.length > 0 ? 'Hang a rainbow in the picked regions' : 'Hang a rainbow'}
            </button>
            {error !== null && <p role="alert">{error.message}</p>}
            <p className="quiet">
                It stands opposite to the light of the page. Pick a panel first (K) to have it there alone; hide parts
                of it by painting.
            </p>
        </div>
    );
}
