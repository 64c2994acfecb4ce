/** The right-hand column of each stage. */
import type { ComponentType } from 'react';
import { FlatsPanel } from '../panels/FlatsPanel';
import { InkPanel } from '../panels/InkPanel';
import { MoodPanel } from '../panels/MoodPanel';
import { LightPanel } from '../panels/PassesAwning';
import { ProofPanel } from '../panels/ProofPanel';
import type { StageId } from './stage';

export const PANELS: Record<StageId, ComponentType> = {
    ink: InkPanel,
    flats: FlatsPanel,
    light: LightPanel,
    mood: MoodPanel,
    proof: ProofPanel,
};
