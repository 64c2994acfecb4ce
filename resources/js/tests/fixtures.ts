/** What the core wrote for the browser to meet; './awning test' writes it anew before these tests. */
import { readFileSync } from 'node:fs';
import type {
    BrushData,
    PaletteState,
    PointData,
    RampForm,
    RecordsState,
    RoughDialsData,
    CloudsData,
    WeatherData,
} from '../api/generated';
import type { Stretch } from '../picture/ground';

interface PageFixture {
    name: string;
    records: RecordsState;
    /** Figures with a soft outer edge; the block is then 16 px wide, and its layers tell what lies about it. */
    soft: number[];
    /** Of the block, px. */
    width: number;
    layers: Record<string, string>;
    expected: string;
}

interface StrokeFixture {
    brush: BrushData;
    points: PointData[];
    bounds: [number, number, number, number];
    coverage: string;
}

interface LayingFixture {
    opacity: number;
    erase: boolean;
    paint: [number, number, number] | null;
    stroke: string;
    before: string;
    after: string;
}

interface BallFixture {
    light: [number, number, number];
    dials: RoughDialsData;
    /**
     * How far to the right of the middle, in radii; then what lies there of shade, deep shade, light and glint, 0..255.
     */
    places: [number, number, number, number, number][];
}

function read<T>(name: string): T {
    try {
        return JSON.parse(readFileSync(`var/fixtures/${name}.json`, 'utf8')) as T;
    } catch {
        throw new Error(`var/fixtures/${name}.json is missing. Run ./awning test front, which writes it.`);
    }
}

export const pages = (): { count: number; palette: PaletteState; pages: PageFixture[] } => read('pages');
interface WeatherFixture {
    name: string;
    content: WeatherData | CloudsData;
    page: { width: number; height: number };
    stretch: Stretch;
    expected: string;
}

/** Planes of weather, one byte a pixel. */
export const weather = (): WeatherFixture[] => read('weather');

interface GrainFixture {
    amount: number;
    line: string;
    grained: string;
}

interface PullFixture {
    size: number;
    strength: number;
    planes: 1 | 4;
    points: PointData[];
    inside: string;
    before: string;
    after: string;
}
interface RampFixture {
    from: [number, number];
    to: [number, number];
    form: RampForm;
    cover: string;
}
interface Strokes {
    strokes: StrokeFixture[];
    layings: LayingFixture[];
    grains: GrainFixture[];
    pulls: PullFixture[];
    ramps: RampFixture[];
}
export const strokes = (): Strokes => read('strokes');
export const bytes = (text: string): Uint8Array => new Uint8Array(Buffer.from(text, 'base64'));
export const balls = (): BallFixture[] => read('balls');
