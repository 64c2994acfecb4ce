/** A compositing worker. */
import type { FromWorker, ToWorker } from './jobs';
import { TileComposer } from './tileComposer';

const composer = new TileComposer();

self.onmessage = ({ data }: MessageEvent<ToWorker>): void => {
    if (data.kind === 'stack') {
        composer.take(data);
        return;
    }
    const pixels = composer.compose(data);
    const answer: FromWorker = { id: data.id, pixels };
    self.postMessage(answer, { transfer: [pixels.buffer] });
};
