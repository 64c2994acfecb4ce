/** The page's own passes: those that reach over all of it. */
import { PassList } from '../passes/PassesAwning';

export function MoodPanel() {
    return <PassList figure={0} name="the whole page" />;
}
