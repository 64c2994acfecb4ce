/** Hangs a rainbow opposite to the light of the page, or says why there is none. */
import { api } from '../../../api/client';
import { randomId } from '../../../page/ids';
import { addPass } from '../../../page/ops/passes/addPass';
import { mayColour } from '../../../page/store';
import { useAsking } from '../../../ui/Form';
import { usePage, useSession } from '../../model/context';

export function Rainbow() {
    const session = useSession();
    const may = usePage(mayColour);
    const page = usePage((view) => view.id);
    const { isBusy, error, ask } = useAsking();
    const hang = (): Promise<void> =>
        ask(async () => {
            const content = await api.rainbow(page);
            const scope = { kind: 'page' as const, id: 0 };
            const pass = { name: 'Rainbow', figure: 0, content, scope, mode: 'screen' as const, opacity: 0.5 };
            session.apply(addPass({ id: randomId(12), pass }));
        });
    return (
        <div className="flex flex-col gap-1">
            <button className="act self-start" disabled={!may || isBusy} onClick={() => void hang()}>
                Hang a rainbow
            </button>
            {error !== null && <p role="alert">{error.message}</p>}
            <p className="quiet">
                It stands opposite to the light of the page, red outside. Clip it to the sky, or hide parts of it by
                painting.
            </p>
        </div>
    );
}
