/** A drawing as the settings that are being tried would clean it: asked of the server for what is in view. */
import { api, type CleanLook } from '../../api/client';
import type { CleanData, DrawingData } from '../../api/generated';
import { SIDE } from '../../picture/compose';
import { HIGHEST } from '../../picture/tiles';
import type { Trial } from '../model/inkModel';
import { originalMatrix } from './originals';
import type { Box, Part } from './viewport';

/** What is looked at: which drawing, cleaned how, which tiles of which level. */
export interface Looking {
    id: string;
    drawing: DrawingData;
    trial: Trial;
    level: number;
    tiles: number[];
}

export class CleanLooks {
    private look: (CleanLook & { level: number }) | null = null;
    private shownKey = '';
    private wanted: Looking | null = null;
    private isAsking = false;

    constructor(
        private readonly page: number,
        private readonly arrived: () => void,
    ) {}

    /** The newest wish counts; while one is on its way the others wait. */
    want(looking: Looking | null): void {
        this.wanted = looking !== null && isOther(looking.trial.clean, looking.drawing.clean) ? looking : null;
        if (this.wanted === null) {
            this.look = null;
            this.shownKey = '';
        } else if (!this.isAsking && keyOf(this.wanted) !== this.shownKey) void this.ask(this.wanted);
    }

    private async ask({ id, trial, level, tiles }: Looking): Promise<void> {
        this.isAsking = true;
        this.shownKey = keyOf({ id, trial, level, tiles });
        try {
            const look = await api.look(this.page, id, trial.clean, level, tiles);
            if (this.wanted !== null) this.look = { ...look, level };
        } catch {
            // It shows when the drawing is cleaned.
        }
        this.isAsking = false;
        this.want(this.wanted);
        this.arrived();
    }

    /** In place of the page's ink, on white. */
    draw(context: CanvasRenderingContext2D, toScreen: DOMMatrix, size: { width: number; height: number }): void {
        if (this.look === null || this.wanted === null) return;
        const { picture, first, level } = this.look;
        const { drawing, trial } = this.wanted;
        context.save();
        context.setTransform(toScreen);
        context.beginPath();
        context.rect(0, 0, size.width, size.height);
        context.clip();
        if (first === null) {
            context.fillStyle = '#ffffff';
            context.fillRect(0, 0, size.width, size.height);
            context.setTransform(toScreen.multiply(originalMatrix(drawing, trial)));
            context.drawImage(picture, 0, 0, drawing.width, drawing.height);
        } else {
            const span = SIDE << level;
            context.drawImage(
                picture,
                first.column * span,
                first.row * span,
                picture.width << level,
                picture.height << level,
            );
        }
        context.restore();
    }
}

const keyOf = ({ id, trial, level, tiles }: Pick<Looking, 'id' | 'trial' | 'level' | 'tiles'>): string =>
    `${id} ${JSON.stringify(trial.clean)} ${level} ${tiles.join()}`;

/** Levels show at once from the tiles that are here, and a turn by turning; anything else takes cleaning. */
function isOther(tried: CleanData, now: CleanData): boolean {
    const rest = (clean: CleanData): string => JSON.stringify({ ...clean, paper: null, ink: null, turn: null });
    return rest(tried) !== rest(now);
}

/** Tiles that are looked at in one go, at the most. */
const MOST = 60;

/** The tiles in view, at the finest level at which they are not too many. */
export function tilesInView(seen: Part, size: Box, finest: number): { level: number; tiles: number[] } {
    for (let level = finest; ; level++) {
        const span = SIDE << level;
        const tiles = [
            Math.max(0, Math.floor(seen.left / span)),
            Math.max(0, Math.floor(seen.top / span)),
            Math.ceil(Math.min(size.width, seen.right) / span),
            Math.ceil(Math.min(size.height, seen.bottom) / span),
        ];
        const [left, top, right, bottom] = tiles;
        if ((right - left) * (bottom - top) <= MOST || level === HIGHEST) return { level, tiles };
    }
}
