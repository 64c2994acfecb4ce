/** Pictures of the files that drawings came from, fetched when they are first looked at. */
import { api } from '../../api/client';
import type { DrawingData } from '../../api/generated';
import type { Spot } from '../model/lines';
import { frameOf, placeMatrix } from '../model/placing';
import type { Trial } from '../model/inkModel';

export class OriginalPictures {
    private readonly pictures = new Map<string, HTMLImageElement>();

    constructor(
        private readonly page: number,
        private readonly arrived: () => void,
    ) {}

    /** Null while it is on its way, or when there is none. */
    of(drawing: DrawingData): HTMLImageElement | null {
        const url = api.originalUrl(this.page, drawing);
        let picture = this.pictures.get(url);
        if (picture === undefined) {
            picture = new Image();
            picture.onload = this.arrived;
            picture.src = url;
            this.pictures.set(url, picture);
        }
        return picture.complete && picture.naturalWidth > 0 ? picture : null;
    }

    /** Laid where the drawing lies or is being laid, straightened as it was. */
    draw(context: CanvasRenderingContext2D, toScreen: DOMMatrix, drawing: DrawingData, trial: Trial | null): void {
        const picture = this.of(drawing);
        if (picture === null) return;
        context.save();
        if (trial !== null && trial.place.crop !== null) clipTo(context, toScreen, frameOf(drawing, trial.place));
        context.setTransform(toScreen.multiply(originalMatrix(drawing, trial)));
        context.drawImage(picture, 0, 0, drawing.width, drawing.height);
        context.restore();
    }
}

function clipTo(context: CanvasRenderingContext2D, toScreen: DOMMatrix, frame: Spot[]): void {
    context.setTransform(toScreen);
    context.beginPath();
    frame.forEach(({ x, y }) => context.lineTo(x, y));
    context.clip();
}

/** From the original's pixels to the page's. */
export function originalMatrix(drawing: DrawingData, trial: Trial | null): DOMMatrix {
    const place = trial?.place ?? drawing.place;
    const turn = trial === null || trial.clean.turn === null ? drawing.found.turned : trial.clean.turn;
    return placeMatrix(drawing, place)
        .translate(drawing.width / 2, drawing.height / 2)
        .rotate(turn)
        .translate(-drawing.width / 2, -drawing.height / 2);
}
