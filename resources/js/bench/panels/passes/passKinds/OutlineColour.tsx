import type { ContentData } from '../../../../api/generated';
import { ColourSetting } from './ColourSetting';
import type { SettingsProps } from './settings';

type Outlined = Extract<ContentData, { outlineColour: string }>;

/** The colour of an outline, where there is one. */
export function OutlineColour(props: SettingsProps<Outlined>) {
    if (props.content.outline <= 0) return null;
    return (
        <div className="flex items-center justify-between text-[13px]">
            Colour of the outline
            <ColourSetting {...props} name="outlineColour" label="Colour of the outline" />
        </div>
    );
}
