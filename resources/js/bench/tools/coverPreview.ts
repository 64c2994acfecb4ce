import { layStroke } from '../../picture/stroke';
import type { Aim } from './aim';
import { keptInside, type Cover } from './covering';
import { LayerPreview } from './layerPreview';
import type { ToolHost } from './tool';
import { addPass } from '../../page/ops/passes/addPass';
import { removePass } from '../../page/ops/passes/removePass';

/** Coverage that is laid at once, shown in its pass until the server's truth takes its place. */
export class CoverPreview {
    private readonly preview: LayerPreview;
    private shown = new Set<string>();

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
    ) {
        this.preview = new LayerPreview(host, aim.layer, aim.bytesPerPixel, (base, cover) =>
            layStroke(base, cover, aim.laying),
        );
        if (aim.make !== null) host.bench.session.preview(addPass({ id: aim.pass, pass: aim.make }));
    }

    /** In place of what was shown before. */
    show(cover: Cover): void {
        const tiles = keptInside(this.host, this.aim.inside, cover);
        const touched = new Set([...this.shown, ...tiles.keys()]);
        this.shown = new Set(tiles.keys());
        this.preview.show([{ tiles }], touched);
    }

    takeBack(): void {
        this.preview.takeBack();
        if (this.aim.make !== null) this.host.bench.session.preview(removePass({ id: this.aim.pass }));
    }
}
