/** The canvas: shows the page's tiles, listens to the hand, previews what it does. */
import { useCallback, useEffect, useImperativeHandle, useRef, type Ref } from 'react';
import type { BrushSpec, Op } from '../../api/types';
import type { PageSession } from '../session';
import { passFor, type Target } from '../target';
import { composeTile, PIXELS, SIDE, type Look } from './compose';
import { layerOf, toColour } from './stack';
import { layStroke, StrokePreview, type Point } from './stroke';
import { fit, levelFor, matrix, panBy, shown, toPage, zoomAt, type View } from './view';

export type Tool = 'fill' | 'sweep' | 'unfill' | 'pen' | 'soft' | 'erase' | 'look';

export interface Under {
    x: number;
    y: number;
    label: number;
}

export interface SurfaceHandle {
    fit(): void;
    mirror(): void;
    turn(by: number): void;
    goTo(x: number, y: number): void;
    /** A full-size tile as it is shown; null while its layers are on their way. */
    pixels(column: number, row: number): Uint8ClampedArray | null;
    /** The shown colour of a page pixel at full size. */
    colourAt(x: number, y: number): [number, number, number] | null;
}

interface Props {
    session: PageSession;
    tool: Tool;
    brush: BrushSpec;
    target: Target | null;
    look: Pick<Look, 'ink' | 'hatch' | 'passes'>;
    grey: boolean;
    bridges: boolean;
    overlays: boolean;
    /** Live clean-up: the scan through these levels instead of the ink. */
    levels: { paper: number; ink: number } | null;
    onUnder: (under: Under | null) => void;
    onView: (scale: number, mirror: boolean) => void;
    handle: Ref<SurfaceHandle>;
}

const HIGHEST = 4;
/** Milliseconds a frame may spend on compositing before it shows what it has. */
const BUDGET = 14;

interface Shown {
    canvas: HTMLCanvasElement;
    dirty: boolean;
}

export function Surface(props: Props) {
    const frame = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const latest = useRef(props);
    const view = useRef<View | null>(null);
    const composed = useRef(new Map<string, Shown>());
    const stroke = useRef<{ preview: StrokePreview; pass: string; layer: string; base: Map<string, Uint8Array | null>; erase: boolean; make: Extract<Op, { kind: 'stroke' }>['make'] | null } | null>(null);
    const swept = useRef<{ labels: Set<number>; path: { x: number; y: number }[] } | null>(null);
    const pan = useRef<{ x: number; y: number } | null>(null);
    const pointer = useRef<{ x: number; y: number } | null>(null);
    const fitted = useRef(true);
    const keys = useRef({ space: false });
    const scheduled = useRef(false);

    const draw = useCallback(() => {
        scheduled.current = false;
        const element = canvas.current;
        const { session, grey, bridges, overlays, tool, brush } = latest.current;
        const size = session.size;
        if (element === null) return;
        const context = element.getContext('2d');
        if (context === null) return;
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--work');
        context.fillRect(0, 0, element.width, element.height);
        if (size === null) return;
        if (view.current === null) {
            view.current = fit(size, element);
            latest.current.onView(view.current.scale, false);
        }
        const level = levelFor(view.current.scale, HIGHEST);
        const span = SIDE << level;
        const seen = shown(view.current, element);
        const transform = matrix(view.current, element);
        context.save();
        context.setTransform(transform);
        context.beginPath();
        context.rect(0, 0, size.width, size.height);
        context.clip();
        context.imageSmoothingEnabled = view.current.scale < 2;
        context.filter = grey ? 'grayscale(1)' : 'none';
        const started = performance.now();
        let more = false;
        for (let row = Math.max(0, Math.floor(seen.top / span)); row * span < Math.min(size.height, seen.bottom); row++) {
            for (let column = Math.max(0, Math.floor(seen.left / span)); column * span < Math.min(size.width, seen.right); column++) {
                const key = `${level} ${column},${row}`;
                let tile = composed.current.get(key);
                if (tile === undefined || tile.dirty) {
                    if (performance.now() - started < BUDGET) tile = compose(latest.current, composed.current, level, column, row) ?? tile;
                    else more = true;
                }
                if (tile !== undefined) context.drawImage(tile.canvas, column * span, row * span, span, span);
                else drawCoarser(context, composed.current, level, column, row, span);
            }
        }
        context.restore();
        if (overlays) drawOverlays(context, transform, latest.current, bridges, swept.current);
        if (pointer.current !== null && (tool === 'pen' || tool === 'soft' || tool === 'erase')) drawCursor(context, pointer.current, (brush.size / 2) * view.current.scale);
        if (more) schedule();
    }, []);

    const schedule = useCallback(() => {
        if (!scheduled.current) {
            scheduled.current = true;
            requestAnimationFrame(draw);
        }
    }, [draw]);

    const dirty = useCallback(
        (level: number | null, places: Set<string> | null) => {
            for (const [key, tile] of composed.current) {
                const [tileLevel, place] = key.split(' ');
                if ((level === null || Number(tileLevel) === level) && (places === null || places.has(place))) tile.dirty = true;
            }
            schedule();
        },
        [schedule],
    );

    useEffect(() => {
        const before = latest.current;
        latest.current = props;
        if (before.look.ink !== props.look.ink || before.look.hatch !== props.look.hatch || before.look.passes !== props.look.passes || before.levels !== props.levels) dirty(null, null);
        schedule();
    });

    useEffect(() => props.session.onPaint(dirty), [props.session, dirty]);

    useEffect(() => {
        const element = canvas.current;
        const box = frame.current;
        if (element === null || box === null) return;
        const observer = new ResizeObserver(() => {
            // Until the hand has moved the page, it fills the canvas, whatever size that comes to have.
            if (fitted.current) view.current = null;
            element.width = box.clientWidth;
            element.height = box.clientHeight;
            schedule();
        });
        observer.observe(box);
        const wheel = (event: WheelEvent): void => {
            event.preventDefault();
            if (view.current === null) return;
            const at = place(event, element);
            fitted.current = false;
            view.current = zoomAt(view.current, element, at.x, at.y, Math.exp(-event.deltaY * 0.0015));
            latest.current.onView(view.current.scale, view.current.mirror);
            schedule();
        };
        element.addEventListener('wheel', wheel, { passive: false });
        const space = (event: KeyboardEvent): void => {
            if (event.code === 'Space' && !(event.target instanceof HTMLInputElement) && !(event.target instanceof HTMLButtonElement)) {
                keys.current.space = event.type === 'keydown';
                event.preventDefault();
            }
        };
        window.addEventListener('keydown', space);
        window.addEventListener('keyup', space);
        return () => {
            observer.disconnect();
            element.removeEventListener('wheel', wheel);
            window.removeEventListener('keydown', space);
            window.removeEventListener('keyup', space);
        };
    }, [schedule]);

    useImperativeHandle(props.handle, () => ({
        fit() {
            fitted.current = true;
            view.current = null;
            schedule();
        },
        mirror() {
            if (view.current !== null) view.current = { ...view.current, mirror: !view.current.mirror };
            latest.current.onView(view.current?.scale ?? 1, view.current?.mirror ?? false);
            schedule();
        },
        turn(by) {
            if (view.current !== null) view.current = { ...view.current, turn: view.current.turn + by };
            schedule();
        },
        goTo(x, y) {
            fitted.current = false;
            if (view.current !== null) view.current = { ...view.current, x, y, scale: Math.max(view.current.scale, 0.5) };
            schedule();
        },
        pixels: (column, row) => truePixels(latest.current, column, row),
        colourAt(x, y) {
            const data = truePixels(latest.current, Math.floor(x / SIDE), Math.floor(y / SIDE));
            const at = 4 * ((y % SIDE) * SIDE + (x % SIDE));
            return data === null ? null : [data[at], data[at + 1], data[at + 2]];
        },
    }), [schedule]);

    const labelAt = (x: number, y: number): number => {
        const size = latest.current.session.size;
        if (view.current === null || size === null || x < 0 || y < 0 || x >= size.width || y >= size.height) return 0;
        for (let level = levelFor(view.current.scale, HIGHEST); level >= 0; level--) {
            const px = Math.floor(x) >> level;
            const py = Math.floor(y) >> level;
            const tile = latest.current.session.tiles.peek(level, 'flats', px >> 8, py >> 8);
            if (tile !== null) {
                const at = 2 * ((py & 255) * SIDE + (px & 255));
                return (tile[at] << 8) | tile[at + 1];
            }
        }
        return 0;
    };

    const refreshStroke = (touched: Set<string>): void => {
        const current = stroke.current;
        if (current === null) return;
        const { session, brush } = latest.current;
        const pass = session.state.facts.pass[current.pass];
        const paint = pass?.kind === 'paint';
        for (const key of touched) {
            const [column, row] = key.split(',').map(Number);
            const level = current.preview.level;
            if (!current.base.has(key)) current.base.set(key, session.tiles.peek(level, current.layer, column, row));
            const colour = toColour(pass?.colour ?? latest.current.target?.material.tones[latest.current.target.tone] ?? '#000000');
            session.tiles.setLocal(level, current.layer, column, row, layStroke(
                current.base.get(key) ?? null, current.preview.tiles.get(key) as Uint8Array, brush.opacity, current.erase,
                [(colour >> 16) & 255, (colour >> 8) & 255, colour & 255], paint,
            ));
        }
        dirty(current.preview.level, touched);
    };

    /** Shift: the stroke so far becomes a straight one from where it began. */
    const straighten = (to: Point): void => {
        const current = stroke.current;
        if (current === null) return;
        const { session } = latest.current;
        const { level, points, brush: drawn } = current.preview;
        const size = session.size;
        if (size === null) return;
        const back = new Set(current.base.keys());
        for (const key of back) {
            const [column, row] = key.split(',').map(Number);
            const blank = new Uint8Array(current.layer.startsWith('paint:') ? 4 * PIXELS : PIXELS);
            session.tiles.setLocal(level, current.layer, column, row, current.base.get(key) ?? blank);
        }
        dirty(level, back);
        current.preview = new StrokePreview(drawn, level, size.width, size.height);
        const touched = current.preview.add(points[0]);
        for (const part of [current.preview.add(to), current.preview.end()]) part.forEach((key) => touched.add(key));
        refreshStroke(touched);
    };

    const down = (event: React.PointerEvent): void => {
        const element = canvas.current;
        const { session, tool, target } = latest.current;
        if (element === null || view.current === null || session.size === null) return;
        element.setPointerCapture(event.pointerId);
        const at = place(event.nativeEvent, element);
        if (event.button === 1 || keys.current.space || tool === 'look') {
            pan.current = at;
            return;
        }
        if (event.button !== 0) return;
        const on = toPage(view.current, element, at.x, at.y);
        if (tool === 'fill' || tool === 'sweep' || tool === 'unfill') {
            if (!session.mayFlat) return session.say(session.holder === null ? 'You are looking at this page; your part in the series does not change it.' : `${session.holder} is working on this page; you are watching.`);
            if (tool !== 'unfill' && target === null) return session.say('Pick a material at the left first; then click a region to fill it.');
            const label = labelAt(on.x, on.y);
            swept.current = { labels: new Set(label > 0 ? [label] : []), path: [on] };
            schedule();
            return;
        }
        if (!session.mayColour) return session.say(session.holder !== null && !session.held ? `${session.holder} is working on this page; you are watching.` : 'Your part in this series is not painting.');
        if (target === null) return session.say('Pick a tone at the left first; it says where the paint goes.');
        const { id, make } = passFor(session.state.facts, target);
        const pass = make ?? session.state.facts.pass[id];
        if (!make && !session.state.facts.pass[id].visible) return session.say('This pass is rolled up. Let it down in the panel at the right, then paint.');
        if (make !== null) session.addLocalPass(id, make);
        const preview = new StrokePreview(latest.current.brush, levelFor(view.current.scale, HIGHEST), session.size.width, session.size.height);
        stroke.current = { preview, pass: id, layer: layerOf(id, pass), base: new Map(), erase: tool === 'erase' || event.altKey, make };
        refreshStroke(preview.add([on.x, on.y, pressure(event.nativeEvent)]));
    };

    const move = (event: React.PointerEvent): void => {
        const element = canvas.current;
        if (element === null || view.current === null) return;
        const at = place(event.nativeEvent, element);
        pointer.current = at;
        if (pan.current !== null) {
            fitted.current = false;
            view.current = panBy(view.current, element, at.x - pan.current.x, at.y - pan.current.y);
            pan.current = at;
            schedule();
            return;
        }
        const on = toPage(view.current, element, at.x, at.y);
        if (stroke.current !== null && event.shiftKey) {
            straighten([on.x, on.y, pressure(event.nativeEvent)]);
        } else if (stroke.current !== null) {
            const events = event.nativeEvent.getCoalescedEvents?.() ?? [];
            const touched = new Set<string>();
            for (const each of events.length > 0 ? events : [event.nativeEvent]) {
                const spot = place(each, element);
                const where = toPage(view.current, element, spot.x, spot.y);
                stroke.current.preview.add([where.x, where.y, pressure(each)]).forEach((key) => touched.add(key));
            }
            refreshStroke(touched);
        } else if (swept.current !== null) {
            const last = swept.current.path[swept.current.path.length - 1];
            const steps = Math.max(1, Math.ceil(Math.hypot(on.x - last.x, on.y - last.y) / 3));
            for (let i = 1; i <= steps && latest.current.tool !== 'fill'; i++) {
                const label = labelAt(last.x + ((on.x - last.x) * i) / steps, last.y + ((on.y - last.y) * i) / steps);
                if (label > 0) swept.current.labels.add(label);
            }
            swept.current.path.push(on);
        }
        latest.current.onUnder({ x: Math.floor(on.x), y: Math.floor(on.y), label: labelAt(on.x, on.y) });
        schedule();
    };

    const up = (): void => {
        const { session, target, brush, tool } = latest.current;
        pan.current = null;
        if (swept.current !== null) {
            let labels = [...swept.current.labels];
            if (tool === 'unfill') labels = labels.filter((label) => (session.state.facts.region[label]?.material ?? 0) !== 0);
            swept.current = null;
            if (labels.length > 0) session.fill(labels, tool === 'unfill' ? null : (target?.material ?? null));
            schedule();
        }
        if (stroke.current !== null) {
            const { preview, pass, erase, make } = stroke.current;
            refreshStroke(preview.end());
            stroke.current = null;
            const fact = session.state.facts.pass[pass];
            session.stroke({
                kind: 'stroke', pass, erase, brush,
                points: preview.points.map(([x, y, p]) => [Math.round(x * 100) / 100, Math.round(y * 100) / 100, Math.round(p * 1000) / 1000]),
                ...(fact?.kind === 'paint' && target !== null ? { colour: target.material.tones[target.tone] } : {}),
                ...(make !== null ? { make } : {}),
            });
        }
    };

    return (
        <div ref={frame} className="absolute inset-0">
            <canvas
                ref={canvas}
                id="surface"
                role="img"
                aria-label="The page"
                tabIndex={0}
                className="block touch-none outline-offset-[-3px]"
                style={{ cursor: props.tool === 'look' ? 'grab' : props.tool === 'pen' || props.tool === 'soft' || props.tool === 'erase' ? 'none' : 'crosshair' }}
                onPointerDown={down}
                onPointerMove={move}
                onPointerUp={up}
                onPointerCancel={up}
                onPointerLeave={() => {
                    pointer.current = null;
                    latest.current.onUnder(null);
                    schedule();
                }}
                onContextMenu={(event) => event.preventDefault()}
            />
        </div>
    );
}

const place = (event: { clientX: number; clientY: number }, element: HTMLElement): { x: number; y: number } => {
    const box = element.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
};

/** A mouse has no pressure; it counts as full. */
const pressure = (event: PointerEvent): number => (event.pointerType === 'mouse' || event.pressure === 0 ? 1 : event.pressure);

function compose(props: Props, composed: Map<string, Shown>, level: number, column: number, row: number): Shown | undefined {
    const { session, look, levels } = props;
    let missing = false;
    const table = levels === null ? null : Uint8Array.from({ length: 256 }, (_, v) => Math.max(0, Math.min(255, Math.round((255 * (v - levels.paper)) / (levels.ink - levels.paper)))));
    const image = composeTile(
        session.stack,
        (layer) => {
            const tile = session.tiles.get(level, table !== null && layer === 'ink' ? 'scan' : layer, column, row);
            if (tile === undefined) missing = true;
            return table !== null && layer === 'ink' && tile ? tile.map((v) => table[v]) : (tile ?? null);
        },
        { ...look, x: column * SIDE, y: row * SIDE },
    );
    const key = `${level} ${column},${row}`;
    const known = composed.get(key);
    // While something is still on its way, what was shown before stays, rather than flicker.
    if (missing) return known;
    const canvas = known?.canvas ?? document.createElement('canvas');
    canvas.width = SIDE;
    canvas.height = SIDE;
    (canvas.getContext('2d') as CanvasRenderingContext2D).putImageData(image, 0, 0);
    const shownTile = { canvas, dirty: false };
    composed.set(key, shownTile);
    return shownTile;
}

/** A full-size tile with everything shown, whatever the stage leaves out. */
function truePixels(props: Props, column: number, row: number): Uint8ClampedArray | null {
    const tile = compose({ ...props, look: { ink: 1, hatch: false, passes: true }, levels: null }, new Map(), 0, column, row);
    return tile === undefined ? null : (tile.canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, SIDE, SIDE).data;
}

/** What a coarser level has of a tile that is not here yet. */
function drawCoarser(context: CanvasRenderingContext2D, composed: Map<string, Shown>, level: number, column: number, row: number, span: number): void {
    for (let up = 1; level + up <= HIGHEST; up++) {
        const tile = composed.get(`${level + up} ${column >> up},${row >> up}`);
        if (tile !== undefined) {
            const part = SIDE >> up;
            const mask = (1 << up) - 1;
            context.drawImage(tile.canvas, (column & mask) * part, (row & mask) * part, part, part, column * span, row * span, span, span);
            return;
        }
    }
    context.fillStyle = '#dadada';
    context.fillRect(column * span, row * span, span, span);
}

function drawOverlays(context: CanvasRenderingContext2D, transform: DOMMatrix, props: Props, bridges: boolean, swept: { path: { x: number; y: number }[] } | null): void {
    const accent = getComputedStyle(document.documentElement).getPropertyValue('--color-primary');
    context.save();
    if (bridges) {
        context.strokeStyle = accent;
        context.fillStyle = accent;
        context.lineWidth = 2.5;
        for (const bridge of Object.values(props.session.state.facts.bridge)) {
            const a = transform.transformPoint(new DOMPoint(bridge.x1 + 0.5, bridge.y1 + 0.5));
            const b = transform.transformPoint(new DOMPoint(bridge.x2 + 0.5, bridge.y2 + 0.5));
            context.beginPath();
            context.moveTo(a.x, a.y);
            context.lineTo(b.x, b.y);
            context.stroke();
            context.beginPath();
            context.arc((a.x + b.x) / 2, (a.y + b.y) / 2, 7, 0, 7);
            context.lineWidth = 1.2;
            context.stroke();
            context.lineWidth = 2.5;
        }
    }
    if (swept !== null && swept.path.length > 1) {
        context.strokeStyle = accent;
        context.lineWidth = 3;
        context.lineCap = 'round';
        context.setLineDash([2, 7]);
        context.beginPath();
        for (const point of swept.path) {
            const on = transform.transformPoint(new DOMPoint(point.x, point.y));
            context.lineTo(on.x, on.y);
        }
        context.stroke();
    }
    context.restore();
}

function drawCursor(context: CanvasRenderingContext2D, at: { x: number; y: number }, radius: number): void {
    context.beginPath();
    context.arc(at.x, at.y, Math.max(2, radius), 0, 7);
    context.lineWidth = 3;
    context.strokeStyle = 'rgba(255,255,255,.8)';
    context.stroke();
    context.lineWidth = 1;
    context.strokeStyle = '#111';
    context.stroke();
}
