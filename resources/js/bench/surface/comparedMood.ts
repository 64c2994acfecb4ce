/** The page in another mood, as the server sees it, right of an edge that is dragged. */
import type { PageView } from '../../page/store';
import { moodPicture, type MoodView } from '../model/moodModel';
import { drawEdge } from './overlays';
import type { Box } from './viewport';

/** What comes before the question mark names page and mood, what comes after it the state they are of. */
const moodOf = (address: string | null): string | undefined => address?.split('?')[0];

export class ComparedMood {
    /** Of the picture that is wanted. */
    private address: string | null = null;
    private picture: HTMLImageElement | null = null;

    constructor(private readonly arrived: () => void) {}

    draw(context: CanvasRenderingContext2D, toScreen: DOMMatrix, size: Box, shown: MoodView, page: PageView): void {
        const picture = this.fetched(shown.compared === null ? null : moodPicture(page, shown.compared, 'large'));
        if (picture === null) return;
        const edge = shown.isComparing ? 0 : shown.edge * size.width;
        context.save();
        context.setTransform(toScreen);
        context.beginPath();
        context.rect(edge, 0, size.width - edge, size.height);
        context.clip();
        context.drawImage(picture, 0, 0, size.width, size.height);
        context.restore();
        if (edge <= 0) return;
        context.setTransform(1, 0, 0, 1, 0, 0);
        drawEdge(context, toScreen, edge, size.height);
    }

    /** The picture of that address, until it is there the last one of the same mood; null: there is none yet. */
    private fetched(address: string | null): HTMLImageElement | null {
        if (address !== this.address) {
            if (address === null || moodOf(address) !== moodOf(this.address)) this.picture = null;
            this.address = address;
            if (address !== null) this.fetch(address);
        }
        return this.picture;
    }

    private fetch(address: string): void {
        const picture = new Image();
        picture.onload = () => {
            // Another one may be wanted by now.
            if (this.address !== address) return;
            this.picture = picture;
            this.arrived();
        };
        picture.src = address;
    }
}
