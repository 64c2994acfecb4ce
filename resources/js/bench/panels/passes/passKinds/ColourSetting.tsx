import type { ContentData } from '../../../../api/generated';
import { ColourField } from '../../../../ui/ColourField';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

type Coloured = Extract<ContentData, { colour: string }>;

/** The one colour of a pass. */
export function ColourSetting({ id, content, disabled }: SettingsProps<Coloured>) {
    const { preview, apply } = useContent(id, content);
    return (
        <ColourField
            label="Colour"
            value={content.colour}
            disabled={disabled}
            onChange={(colour) => preview({ colour })}
            onSettle={(colour) => apply({ colour })}
        />
    );
}
