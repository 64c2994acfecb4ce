/** What is drawn with a tool that lays shapes or ramps, and what becomes of it. */
import { RAMP_FORMS, SHAPE_USES, type RampForm, type ShapeUse } from '../../api/generated';
import { Choice } from '../../ui/Choice';
import { Tick } from '../../ui/Tick';
import { useBench, useBenchModel } from '../model/context';
import { AREA_WITH, BLOCK_WITH, type AreaWith, type BlockWith } from '../tools/ways';
import { SHAPES, type Shape } from '../model/shapes';

const SHAPE_NAMES: Record<Shape, string> = { corners: 'corners', curve: 'smooth curve', ellipse: 'ellipse' };

export function ShapeChoice() {
    const bench = useBenchModel();
    const shape = useBench((view) => view.shape);
    return (
        <Choice
            label="Shape"
            isLabelHidden
            value={shape}
            options={SHAPES}
            names={SHAPE_NAMES}
            onChange={(one) => bench.set({ shape: one, draft: [] })}
        />
    );
}

const USE_NAMES: Record<ShapeUse, string> = {
    add: 'add what is inside',
    take: 'remove what is inside',
    keep: 'keep only what is inside',
};

export function ShapeUseChoice() {
    const bench = useBenchModel();
    const use = useBench((view) => view.shapeUse);
    return (
        <Choice
            label="What it does"
            isLabelHidden
            value={use}
            options={SHAPE_USES}
            names={USE_NAMES}
            onChange={(one) => bench.set({ shapeUse: one })}
        />
    );
}

const BLOCK_NAMES: Record<BlockWith, string> = {
    loop: 'with a loop',
    corners: 'with corners',
    pen: 'with a broad pen',
    push: 'pushing a border',
};

export function BlockWithChoice() {
    const bench = useBenchModel();
    const way = useBench((view) => view.blockWith);
    return (
        <Choice
            label="Drawn"
            isLabelHidden
            value={way}
            options={BLOCK_WITH}
            names={BLOCK_NAMES}
            onChange={(one) => bench.set({ blockWith: one, draft: [] })}
        />
    );
}

const AREA_NAMES: Record<AreaWith, string> = { loop: 'freehand', corners: 'with corners' };

export function AreaWithChoice() {
    const bench = useBenchModel();
    const way = useBench((view) => view.areaWith);
    return (
        <Choice
            label="Drawn"
            isLabelHidden
            value={way}
            options={AREA_WITH}
            names={AREA_NAMES}
            onChange={(one) => bench.set({ areaWith: one, draft: [] })}
        />
    );
}

const RAMP_NAMES: Record<RampForm, string> = { straight: 'straight', round: 'round' };

export function RampFormChoice() {
    const bench = useBenchModel();
    const form = useBench((view) => view.rampForm);
    return (
        <Choice
            label="Form"
            isLabelHidden
            value={form}
            options={RAMP_FORMS}
            names={RAMP_NAMES}
            onChange={(one) => bench.set({ rampForm: one })}
        />
    );
}

export function RampThrough() {
    const bench = useBenchModel();
    const isThrough = useBench((view) => view.isRampThrough);
    return (
        <Tick
            className="text-[13px]"
            checked={isThrough}
            title="From deep through shade, from glint through light"
            onChange={(on) => bench.set({ isRampThrough: on })}
        >
            through the tone between
        </Tick>
    );
}
