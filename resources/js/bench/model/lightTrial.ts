/**
 * A light that is tried while it is dragged: asked of the server, the newest wish first, and shown over the page. Where
 * the hand rests, it is asked for once more, sharper.
 */
import type { LightPlanData, TriedLightState } from '../../api/generated';
import { TriedLight } from '../../picture/tried';

/** Milliseconds without another wish: the hand rests. */
const RESTS = 250;

interface Wish {
    figure: number;
    plan: LightPlanData;
    only: number[];
}

export class LightTrial {
    private wanted: Wish | null = null;
    private isAsking = false;

    /**
     * @param ask what it would do, roughly or as finely as is shown; null when that could not be said
     * @param show shows it, or with null what the page has
     */
    constructor(
        private readonly ask: (
            figure: number,
            plan: LightPlanData,
            only: number[],
            isFine: boolean,
        ) => Promise<TriedLightState | null>,
        private readonly show: (tried: TriedLight | null) => void,
        private readonly rests = RESTS,
    ) {}

    /** @param only regions it is tried in; none: all of the figure */
    want(figure: number, plan: LightPlanData, only: number[] = []): void {
        this.wanted = { figure, plan, only };
        if (!this.isAsking) void this.follow();
    }

    drop(): void {
        this.wanted = null;
        this.show(null);
    }

    /** One after the other; what was wished for meanwhile and is no more is never asked. */
    private async follow(): Promise<void> {
        this.isAsking = true;
        let last: Wish | null = null;
        let isShown = false;
        while (this.wanted !== null && this.wanted !== last) {
            last = this.wanted;
            isShown = await this.tryOut(last, false, () => this.wanted !== null);
        }
        this.isAsking = false;
        if (last !== null && isShown) void this.refine(last);
    }

    /** A new wish is not kept waiting for this: it is asked beside it, and the sharper one is not shown any more. */
    private async refine(wish: Wish): Promise<void> {
        await new Promise((done) => setTimeout(done, this.rests));
        const isMeant = (): boolean => this.wanted === wish;
        if (isMeant()) await this.tryOut(wish, true, isMeant);
    }

    /** @return whether it was shown */
    private async tryOut({ figure, plan, only }: Wish, isFine: boolean, isMeant: () => boolean): Promise<boolean> {
        const state = await this.ask(figure, plan, only, isFine);
        const tried = state === null ? null : await TriedLight.from(state);
        if (tried === null || !isMeant()) return false;
        this.show(tried);
        return true;
    }
}
