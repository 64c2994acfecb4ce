import type { LevelsData } from '../../../../api/generated';
import { useMemo } from 'react';
import { sizeOf } from '../../../../page/store';
import { countsBeneath, stackBeneath } from '../../../../picture/beneath';
import { Bars } from '../../../../ui/Bars';
import { Slide } from '../../../../ui/Slide';
import { usePage, useSession } from '../../../model/context';
import { ChannelChoice } from './ChannelChoice';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** The slider of the middle runs evenly in factors: as far to half as to double. */
const toMiddle = (at: number): number => Math.round(100 * 10 ** (at / 100)) / 100;
const fromMiddle = (middle: number): number => Math.round(100 * Math.log10(middle));

/** Percent that black and white stay apart. */
const APART = 1;

export function LevelsSettings({ id, content, disabled }: SettingsProps<LevelsData>) {
    const { preview, apply } = useContent(id, content);
    const [black, white] = [Math.round(100 * content.black), Math.round(100 * content.white)];
    const slide = (change: (at: number) => Partial<LevelsData>) => ({
        wide: true,
        disabled,
        onChange: (at: number) => preview(change(at)),
        onSettle: (at: number) => apply(change(at)),
    });
    return (
        <>
            <ChannelChoice value={content.channel} disabled={disabled} onChange={(channel) => apply({ channel })} />
            <Beneath id={id} content={content} />
            <Slide
                label="Black at"
                most={100}
                value={black}
                shown={`${black} %`}
                title="What is as dark as this becomes black"
                {...slide((at) => ({ black: Math.min(at, white - APART) / 100 }))}
            />
            <Slide
                label="White at"
                most={100}
                value={white}
                shown={`${white} %`}
                title="What is as light as this becomes white"
                {...slide((at) => ({ white: Math.max(at, black + APART) / 100 }))}
            />
            <Slide
                label="Middle"
                least={-100}
                most={100}
                value={fromMiddle(content.middle)}
                shown={`× ${content.middle}`}
                title="Above 1 what lies between black and white becomes lighter, below darker"
                {...slide((at) => ({ middle: toMiddle(at) }))}
            />
            <Slide
                label="Black becomes"
                most={100}
                value={Math.round(100 * content.low)}
                shown={`${Math.round(100 * content.low)} %`}
                title="Raised, the darks become pale, as in haze"
                {...slide((at) => ({ low: at / 100 }))}
            />
            <Slide
                label="White becomes"
                most={100}
                value={Math.round(100 * content.high)}
                shown={`${Math.round(100 * content.high)} %`}
                title="Lowered, the lights become dim, as at night"
                {...slide((at) => ({ high: at / 100 }))}
            />
        </>
    );
}

/** How much of what lies beneath is how light, with black and white marked on it. */
function Beneath({ id, content: { channel, black, white } }: Pick<SettingsProps<LevelsData>, 'id' | 'content'>) {
    const session = useSession();
    const stack = usePage((view) => view.stack);
    const beneath = stackBeneath(stack, id);
    // A dial of the pass itself changes nothing beneath it.
    const key = `${usePage((view) => view.palette.version)} ${JSON.stringify(beneath?.above)}`;
    const records = usePage((view) => view.records.region);
    const counts = useMemo(() => {
        const size = sizeOf(session.view);
        return beneath === null || size === null ? null : countsBeneath(beneath, channel, session.tiles, size);
        // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says when what lies beneath is another
    }, [key, records, channel, session]);
    return counts === null ? null : (
        <Bars counts={counts} marks={[255 * black, 255 * white]} label="How much of what lies beneath is how light" />
    );
}
