/** What the page is shown in now, held against the moods of the series. */
import type { MoodLayerData, MoodState, PassData, RecordsState } from '../../../api/generated';
import { broughtOf, isOfMood } from '../../../page/ops/passes/moodLayers';
import type { PageView } from '../../../page/store';
import { sortedPasses } from '../../../picture/stack';

type Named = Pick<PageView['palette'], 'lights' | 'variants'>;

export interface WornMood {
    layers: MoodLayerData[];
    /** The light plan and the variant it brings, by name; empty: none. */
    light: string;
    variant: string;
    /** The mood of the series of that name. */
    ofSeries: MoodState | undefined;
    /** The series has the mood, and this page shows it otherwise. */
    isChanged: boolean;
    /** Pressing a mood of the series would not bring it back as it is here. */
    isOwn: boolean;
}

export function wornMood(records: RecordsState, { lights, variants }: Named, moods: MoodState[]): WornMood {
    const passes = sortedPasses(records.pass)
        .filter(([id]) => isOfMood(id))
        .map(([, pass]) => pass);
    const layers = passes.map(({ name, content, mode, opacity }) => ({ name, content, mode, opacity }));
    const brought = broughtOf(records);
    const light = lights.find(({ id }) => id === brought.plan)?.name ?? '';
    const variant = variants.find(({ id }) => id === brought.variant)?.name ?? '';
    const ofSeries = moods.find(({ name }) => name === records.page.page?.mood);
    const isChanged =
        ofSeries !== undefined &&
        JSON.stringify([ofSeries.layers, ofSeries.light, ofSeries.variant]) !==
            JSON.stringify([layers, light, variant]);
    const isOwn = layers.length > 0 && (ofSeries === undefined || isChanged || !passes.every(isAsLaid));
    return { layers, light, variant, ofSeries, isChanged, isOwn };
}

/** Regions that wear another mood put a mask on each layer by themselves; all else was done by hand. */
const isAsLaid = ({ visible, turn, group, scope, mask }: PassData): boolean =>
    visible && turn === null && group === null && scope.kind === 'page' && (mask === null || mask.pass === ALL_PANELS);

/** As the core's PanelMoods::ALL. */
const ALL_PANELS = 'panels00000';
