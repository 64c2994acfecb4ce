import type { ContentData } from '../../../../api/generated';
import { changePass } from '../../../../page/ops/passes/changePass';
import { useSession } from '../../../model/context';

/** Shows what a pass lays while a slider moves, and tells the server when it is let go. */
export function useContent<Content extends ContentData>(id: string, content: Content) {
    const session = useSession();
    const changed = (change: Partial<Content>) => changePass({ id, values: { content: { ...content, ...change } } });
    return {
        preview: (change: Partial<Content>): void => session.preview(changed(change)),
        apply: (change: Partial<Content>): void => session.apply(changed(change)),
    };
}
