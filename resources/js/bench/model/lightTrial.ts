/** A light that is tried while it is dragged: asked of the server, the newest wish first, and shown over the page. */
import type { LightPlanData, TriedLightState } from '../../api/generated';
import { TriedLight } from '../../picture/tried';

interface Wish {
    figure: number;
    plan: LightPlanData;
    only: number[];
}

export class LightTrial {
    private wanted: Wish | null = null;
    private isAsking = false;

    /**
     * @param ask what it would do; null when that could not be said
     * @param show shows it, or with null what the page has
     */
    constructor(
        private readonly ask: (figure: number, plan: LightPlanData, only: number[]) => Promise<TriedLightState | null>,
        private readonly show: (tried: TriedLight | null) => void,
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
        while (this.wanted !== null && this.wanted !== last) {
            last = this.wanted;
            const state = await this.ask(last.figure, last.plan, last.only);
            const tried = state === null ? null : await TriedLight.from(state);
            if (tried !== null && this.wanted !== null) this.show(tried);
        }
        this.isAsking = false;
    }
}
