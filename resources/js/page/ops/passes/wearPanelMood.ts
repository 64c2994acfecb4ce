import type { MoodState, PaletteState, PassData, WearPanelMoodInput } from '../../../api/generated';
import { randomId } from '../../ids';
import { opOf } from '../op';
import { passesOf, regionsOf, withRegions } from '../shown';
import { broughtIds } from './wearMood';

/** Ids of passes that belong to moods of some regions begin with it; those of what covers their regions with more. */
const PREFIX = 'panel';
const COVER = 'panelcover';

/**
 * Shows picked regions in another mood than the rest of the page, or with no layers in that of the page again. Their
 * tones change at once; which pixels the layers keep to the server knows, and nothing of them is shown before it has
 * answered.
 */
export const wearPanelMood = opOf<WearPanelMoodInput>()('mood.panel', {
    name: 'The mood of the regions',
    touches: ({ ids, cover, labels }) => [...passesOf([cover, ...ids]), ...regionsOf({ labels })],
    show: ({ layers, labels, plan, variant }, view) =>
        withRegions(view, labels, {
            mood: layers.length === 0 ? null : { plan: plan ?? null, variant: variant ?? null },
        }),
});

/** @param mood null: that of the page */
export function regionsInMood(mood: MoodState | null, palette: PaletteState, labels: number[]) {
    const { name, layers } = mood ?? { name: '', layers: [] };
    return wearPanelMood({
        name,
        layers,
        ids: layers.map(() => `${PREFIX}${randomId(12)}`),
        cover: `${COVER}${randomId(6)}`,
        labels,
        ...(mood === null ? {} : broughtIds(mood, palette)),
    });
}

/** Whether some regions of the page wear a mood of their own. */
export const hasPanelMoods = (passes: Record<string, PassData>): boolean =>
    Object.keys(passes).some((id) => id.startsWith(COVER));
