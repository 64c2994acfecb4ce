import type { WashData } from '../../../../api/generated';
import { colourAround } from '../../../../picture/surroundings';
import { usePage } from '../../../model/context';
import { ColourSetting } from './ColourSetting';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** The colour of a wash; of one that follows what lies around its figure, that colour, which can become its own. */
export function WashSettings({ id, content, disabled }: SettingsProps<WashData>) {
    const flats = usePage((view) => view.stack.flats);
    const { apply } = useContent(id, content);
    if (content.around === undefined)
        return <ColourSetting id={id} content={content} disabled={disabled} name="colour" label="Colour" />;
    const colour = colourAround(content.around, flats) ?? content.colour;
    return (
        <div className="flex items-center gap-2 text-[13px]">
            <span className="h-8 w-10 shrink-0 border border-base-300" style={{ background: colour }} />
            <span className="min-w-0 flex-1">follows what lies around the figure</span>
            <button className="act narrow" disabled={disabled} onClick={() => apply({ colour, around: undefined })}>
                Keep this colour
            </button>
        </div>
    );
}
