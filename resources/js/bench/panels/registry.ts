/** The right-hand column of each stage. */
import type { ComponentType } from 'react';
import { FlatsPanel } from './flats/FlatsPanel';
import { InkPanel } from './ink/InkPanel';
import { MoodPanel } from './mood/MoodPanel';
import { LightPanel } from './passes/PassesAwning';
import { ProofPanel } from './proof/ProofPanel';
import type { StageId } from '../stages/stage';

export const PANELS: Record<StageId, ComponentType> = {
    ink: InkPanel,
    flats: FlatsPanel,
    light: LightPanel,
    mood: MoodPanel,
    proof: ProofPanel,
};
