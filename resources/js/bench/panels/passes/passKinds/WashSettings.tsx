import type { WashData } from '../../../../api/generated';
import { ColourField } from '../../../../ui/ColourField';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

export function WashSettings({ id, content, disabled }: SettingsProps<WashData>) {
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
