/** The moods of the series, and below them the page's own passes: those that reach over all of it. */
import { ValueBar } from '../flats/ValueBar';
import { PassList } from '../passes/PassesAwning';
import { MoodStrip } from './MoodStrip';
import { MoodTools } from './MoodTools';

export function MoodPanel() {
    return (
        <>
            <div className="min-h-0 flex-1 overflow-y-auto">
                <MoodStrip />
                <PassList figure={0} name="the whole page" />
                <MoodTools />
            </div>
            <div className="px-3">
                <ValueBar isInMood />
            </div>
        </>
    );
}
