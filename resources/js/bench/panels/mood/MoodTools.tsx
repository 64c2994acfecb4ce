/** What can be done with moods beside showing one: comparing two, keeping them, carrying them from series to series. */
import { mayColour } from '../../../page/store';
import { Fold } from '../../../ui/Fold';
import { usePage } from '../../model/context';
import { CompareMoods } from './CompareMoods';
import { LikePicture } from './LikePicture';
import { MoodBrings } from './MoodBrings';
import { OwnMoods } from './OwnMoods';
import { Rainbow } from './Rainbow';
import { Surroundings } from './Surroundings';
import { useMoodPictures } from './useMoodPictures';

export function MoodTools() {
    const may = usePage(mayColour);
    const shown = usePage((view) => view.records.page.page?.mood ?? '');
    const { moods, state } = useMoodPictures();
    return (
        <div className="px-3 pb-3">
            {may && <OwnMoods moods={moods} />}
            {shown !== '' && (
                <Fold title="What the mood brings" help="mood#what-a-mood-brings">
                    <MoodBrings />
                </Fold>
            )}
            <Fold title="From a picture" help="mood#from-a-picture">
                <LikePicture />
            </Fold>
            <Fold title="Colour of the surroundings" help="mood#colour-of-the-surroundings">
                <Surroundings />
            </Fold>
            <Fold title="Rainbow" help="mood#rainbow">
                <Rainbow />
            </Fold>
            <Fold title="Compare two moods" help="mood#moods">
                <CompareMoods moods={moods} state={state} />
            </Fold>
        </div>
    );
}
