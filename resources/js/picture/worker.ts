/** A compositing worker. */
import type { FromWorker, TileJob, ToWorker } from './jobs';
import { TileComposer } from './tileComposer';

const composer = new TileComposer();

self.onmessage = ({ data }: MessageEvent<ToWorker>): void => {
    if (data.kind === 'stack') {
        composer.take(data);
        return;
    }
    const answer: FromWorker = { id: data.id, pixels: composed(data) };
    self.postMessage(answer, { transfer: answer.pixels === null ? [] : [answer.pixels.buffer] });
};

/** Whatever goes wrong with one tile, there is an answer: the tiles behind it wait for that. */
function composed(job: TileJob): FromWorker['pixels'] {
    try {
        return composer.compose(job);
    } catch (error) {
        reportError(error);
        return null;
    }
}
