/**
 * What each kind of pass can be set to beside what every pass can. A kind that has settings of its own is a line here.
 */
import type { ComponentType } from 'react';
import type { ContentData } from '../../../../api/generated';
import { LevelsSettings } from './LevelsSettings';
import { MistSettings } from './MistSettings';
import type { SettingsProps } from './settings';
import { SoftnessSettings } from './SoftnessSettings';
import { TintSettings } from './TintSettings';

const SETTINGS: { [Kind in ContentData['kind']]?: ComponentType<SettingsProps<Extract<ContentData, { kind: Kind }>>> } =
    {
        tint: TintSettings,
        levels: LevelsSettings,
        mist: MistSettings,
        softness: SoftnessSettings,
    };

export function OwnSettings({ content, ...others }: SettingsProps) {
    const Settings = SETTINGS[content.kind] as ComponentType<SettingsProps> | undefined;
    return Settings === undefined ? null : <Settings content={content} {...others} />;
}
