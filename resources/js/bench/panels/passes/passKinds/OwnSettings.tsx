/**
 * What each kind of pass can be set to beside what every pass can. A kind that has settings of its own is a line here.
 */
import type { ComponentType } from 'react';
import type { ContentData } from '../../../../api/generated';
import { BalanceSettings } from './BalanceSettings';
import { CloudsSettings } from './CloudsSettings';
import { CurveSettings } from './CurveSettings';
import { GradientSettings } from './GradientSettings';
import { ShiftSettings } from './ShiftSettings';
import { LevelsSettings } from './LevelsSettings';
import { MistSettings } from './MistSettings';
import { ParticlesSettings } from './ParticlesSettings';
import { GlowSettings } from './GlowSettings';
import { LightningSettings } from './LightningSettings';
import { ShaftsSettings } from './ShaftsSettings';
import { ShimmerSettings } from './ShimmerSettings';
import type { SettingsProps } from './settings';
import { SoftnessSettings } from './SoftnessSettings';
import { TintSettings } from './TintSettings';
import { WashSettings } from './WashSettings';

const SETTINGS: { [Kind in ContentData['kind']]?: ComponentType<SettingsProps<Extract<ContentData, { kind: Kind }>>> } =
    {
        tint: TintSettings,
        wash: WashSettings,
        gradient: GradientSettings,
        levels: LevelsSettings,
        curve: CurveSettings,
        shift: ShiftSettings,
        balance: BalanceSettings,
        mist: MistSettings,
        particles: ParticlesSettings,
        softness: SoftnessSettings,
        clouds: CloudsSettings,
        lightning: LightningSettings,
        shafts: ShaftsSettings,
        glow: GlowSettings,
        shimmer: ShimmerSettings,
    };

export function OwnSettings({ content, ...others }: SettingsProps) {
    const Settings = SETTINGS[content.kind] as ComponentType<SettingsProps> | undefined;
    return Settings === undefined ? null : <Settings content={content} {...others} />;
}
