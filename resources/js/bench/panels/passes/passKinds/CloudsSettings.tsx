import type { CloudsData } from '../../../../api/generated';
import { usePage } from '../../../model/context';
import { dialsOfLight } from '../../../model/keyLight';
import { ColourAndPlaces } from './ColourAndPlaces';
import { ColourSetting } from './ColourSetting';
import { Dials } from './Dials';
import { direction, length, share, type Dial } from './dials';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

const DIALS: Dial<CloudsData>[] = [
    length('lumps', 'Lumps', [4, 120]),
    share('fullness', 'Fullness', 'How many lumps a heap has'),
    share('softness', 'Softness', 'How soft the edges are'),
    share('contrast', 'Contrast', 'From a soft passage between light and shade to an edge'),
    direction('light', 'Light from', '0° is from the right, 90° from above'),
    {
        ...direction('height', 'Light’s height', '0° is from the side, 90° from the reader; below 0° from behind'),
        least: -90,
        most: 90,
    },
];

export function CloudsSettings(props: SettingsProps<CloudsData>) {
    const { id, content, disabled } = props;
    const { apply } = useContent<CloudsData>(id, content);
    const { light, height } = dialsOfLight(usePage(({ palette }) => palette));
    return (
        <>
            <ColourAndPlaces {...props} other="Other clouds" title="Other clouds in the same places" />
            <div className="flex items-center gap-2 text-[13px]">
                <ColourSetting id={id} content={content} disabled={disabled} name="shade" label="Colour in the shade" />
                in the shade
            </div>
            <Dials {...props} dials={DIALS} />
            <button
                className="act self-start"
                disabled={disabled || (light === content.light && height === content.height)}
                onClick={() => apply({ light, height })}
            >
                Light them as the page is lit
            </button>
            {content.heaps.length > 1 && (
                <button
                    className="act self-start"
                    disabled={disabled}
                    onClick={() => apply({ heaps: content.heaps.slice(0, -1) })}
                >
                    Take the last cloud away
                </button>
            )}
        </>
    );
}
