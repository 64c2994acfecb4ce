import type { SoftnessData } from '../../../../api/generated';
import { Slide } from '../../../../ui/Slide';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** Half pixels; the core takes no more. */
const MOST = 120;

export function SoftnessSettings({ id, content, disabled }: SettingsProps<SoftnessData>) {
    const { preview, apply } = useContent(id, content);
    return (
        <Slide
            wide
            label="Reach"
            least={1}
            most={MOST}
            value={Math.round(2 * content.reach)}
            shown={`${content.reach} px`}
            title="How far colours run into each other"
            disabled={disabled}
            onChange={(at) => preview({ reach: at / 2 })}
            onSettle={(at) => apply({ reach: at / 2 })}
        />
    );
}
