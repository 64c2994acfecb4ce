/** The right-hand column of each stage. */
import type { ComponentType } from 'react';
import { FlatsPanel } from './FlatsPanel';
import { InkPanel } from './InkPanel';
import { MoodPanel } from './MoodPanel';
import { LightPanel } from './PassesAwning';
import { ProofPanel } from './ProofPanel';
import type { StageId } from '../stages/stage';

export const PANELS: Record<StageId, ComponentType> = {
    ink: InkPanel,
    flats: FlatsPanel,
    light: LightPanel,
    mood: MoodPanel,
    proof: ProofPanel,
};
