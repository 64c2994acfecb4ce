import type { MoodLayerData, PassData, WearPanelMoodInput } from '../../../api/generated';
import { randomId } from '../../ids';
import { opOf } from '../op';
import { passesOf } from '../shown';

/** Ids of passes that belong to moods of some regions begin with it; those of what covers their regions with more. */
const PREFIX = 'panel';
const COVER = 'panelcover';

/**
 * Shows picked regions in another mood than the rest of the page, or with no layers in that of the page again. Which
 * pixels these are the server knows: nothing of it is shown before it has answered.
 */
export const wearPanelMood = opOf<WearPanelMoodInput>()('mood.panel', {
    name: 'The mood of the regions',
    touches: ({ ids, cover }) => passesOf([cover, ...ids]),
});

export const regionsInMood = (name: string, layers: MoodLayerData[], labels: number[]) =>
    wearPanelMood({
        name,
        layers,
        ids: layers.map(() => `${PREFIX}${randomId(12)}`),
        cover: `${COVER}${randomId(6)}`,
        labels,
    });

/** Whether some regions of the page wear a mood of their own. */
export const hasPanelMoods = (passes: Record<string, PassData>): boolean =>
    Object.keys(passes).some((id) => id.startsWith(COVER));
