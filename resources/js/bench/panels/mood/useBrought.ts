/** What the page's mood brings: a light plan and a variant of the palette, by id and by name. */
import type { SizeData } from '../../../api/generated';
import { usePage } from '../../model/context';

export function useBrought() {
    const size = usePage((view) => view.records.page.page as SizeData | undefined);
    const { lights, variants } = usePage((view) => view.palette);
    const [plan, palette] = [size?.moodPlan ?? null, size?.moodVariant ?? null];
    return {
        plan: lights.find(({ id }) => id === plan)?.id ?? null,
        light: lights.find(({ id }) => id === plan)?.name ?? '',
        variantId: variants.find(({ id }) => id === palette)?.id ?? null,
        variant: variants.find(({ id }) => id === palette)?.name ?? '',
    };
}
