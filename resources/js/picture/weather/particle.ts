/** One particle, as core/src/Compose/Weather/Particle.php draws it. */
import type { ParticlesData } from '../../api/generated';

export type ParticleForm = ParticlesData['form'];

/** A streak's strength at its upper end, as a share of that at its lower end. */
const TAIL = 0.25;
export const MEAN_OF_STREAK = (1 + TAIL) / 2;
/** A petal is so much longer than wide. */
export const LONGER = 2;
/** Of a crystal, in shares of its radius: half the thickness of its arms, where they branch, how long branches are. */
const [ARM, FORK, BRANCH] = [0.09, 0.5, 0.38];
/** What a crystal covers, as a share of a disc of its size: 6 arms and 12 branches. */
export const CRYSTAL_OF_DISC = (2 * ARM * (6 + 12 * BRANCH)) / Math.PI;
/** Of a ripple, in shares of its radius: half the thickness of its rings, and their radii; how flat it lies. */
const [RING, RINGS, FLAT] = [0.06, [0.9, 0.5], 3];
/** Round both rings, in the radius: by Ramanujan's formula for an ellipse three times as wide as high. */
const ROUND = (RINGS[0] + RINGS[1]) * 4.4549;
export const RIPPLE_OF_DISC = (2 * RING * ROUND) / Math.PI;
/** Of a splash, in its radius: half the thickness of its lines, where they begin, how much shorter each is. */
const [LINE, BEGIN, LESS] = [0.08, 0.35, 0.15];
/** From one line of a splash to the next, in radians; so many on either side of the middle one. */
const [FAN, SIDES] = [0.61, 2];
export const SPLASH_OF_DISC = (2 * LINE * (5 * (1 - BEGIN) - 6 * LESS)) / Math.PI;
/** Half the thickness of the lines that some are made of, in their radius. */
const LINES: Partial<Record<ParticleForm, number>> = { crystal: ARM, ripple: RING, splash: LINE };
const SIXTH = Math.PI / 3;
const SINE_OF_SIXTH = Math.sqrt(0.75);

/** All lengths in px. */
export interface ParticlePlace {
    x: number;
    y: number;
    /** Above 0. */
    radius: number;
    /** Of its way, 0 or more. */
    length: number;
    /** Of the unit vector it points along; down is positive. */
    across: number;
    down: number;
    softness: number;
    strength: number;
}

export class Particle {
    private readonly half: number;
    /** Half of what is thick: of one that is made of lines, of these. */
    private readonly thick: number;
    /** How wide its soft edge is. */
    private readonly edge: number;
    /** How far from the middle it may lie at the most. */
    private readonly reach: number;
    private readonly scale: number;

    constructor(
        private readonly form: ParticleForm,
        private readonly place: ParticlePlace,
    ) {
        const { radius, length, softness, strength } = place;
        this.half = form === 'streak' || form === 'flake' ? length / 2 : 0;
        const isLines = LINES[form] !== undefined;
        this.thick = (LINES[form] ?? 1) * radius;
        this.edge = Math.max(1, 2 * softness * this.thick);
        this.reach = this.half + this.edge / 2 + (isLines ? radius : 0) + this.thick;
        this.scale = 255 * strength * thinness(this.thick, isLines || this.half > 0.5);
    }

    /** The first and the last row that may show it. */
    rows(): [number, number] {
        const { y, down } = this.place;
        const reach = Math.abs(down) * this.half + this.reach - this.half;
        return [Math.floor(y - reach - 0.5), Math.ceil(y + reach - 0.5)];
    }

    /** The first and the last px of a row that may show it. */
    span(row: number): [number, number] {
        const { x, y, across, down } = this.place;
        const width = this.reach - this.half;
        let least = -Math.abs(across) * this.half - width;
        let most = -least;
        // Of something long only the px beside its middle line.
        if (this.half > width && Math.abs(down) > 0.05) {
            const middle = ((row + 0.5 - y) * across) / down;
            const beside = width / Math.abs(down);
            least = Math.max(least, middle - beside);
            most = Math.min(most, middle + beside);
        }
        return [Math.ceil(x + least - 0.5), Math.floor(x + most - 0.5)];
    }

    /** 0..255: how much of the px it covers. */
    at(column: number, row: number): number {
        const { across, down } = this.place;
        const [x, y] = [column + 0.5 - this.place.x, row + 0.5 - this.place.y];
        const along = x * across + y * down;
        const beside = x * down - y * across;
        let covered = Math.min(1, (this.thick + this.edge / 2 - this.distance(along, beside)) / this.edge);
        if (covered <= 0) return 0;
        if (this.form === 'streak' && this.half > 0) {
            const way = Math.max(0, Math.min(1, (along + this.half) / (2 * this.half)));
            covered *= TAIL + (1 - TAIL) * way;
        }
        return Math.floor(this.scale * covered + 0.5);
    }

    private distance(along: number, beside: number): number {
        switch (this.form) {
            case 'petal':
                return hypotenuse(along, LONGER * beside);
            case 'crystal':
                return this.toArms(along, beside);
            case 'ripple':
                return this.toRings(along, beside);
            case 'splash':
                return this.toLines(along, beside);
            default:
                return toSegment(along, beside, this.half);
        }
    }

    /** From the nearer ring, about as far as the slope there says: an ellipse has no simpler distance. */
    private toRings(along: number, beside: number): number {
        const { radius } = this.place;
        const flat = FLAT * along;
        const out = hypotenuse(beside, flat);
        if (out < 1e-9) return (RINGS[1] * radius) / FLAT;
        const slope = hypotenuse(beside, FLAT * flat) / out;
        return Math.min(Math.abs(out - RINGS[0] * radius), Math.abs(out - RINGS[1] * radius)) / slope;
    }

    /** From the nearest line of the fan: those of one side are turned upon the middle one. */
    private toLines(along: number, beside: number): number {
        const { radius } = this.place;
        const length = hypotenuse(along, beside);
        const angle = Math.abs(Math.atan2(beside, -along));
        const number = Math.min(SIDES, Math.floor(angle / FAN + 0.5));
        const half = ((1 - LESS * number - BEGIN) * radius) / 2;
        const [u, v] = [length * Math.cos(angle - number * FAN), length * Math.sin(angle - number * FAN)];
        return toSegment(u - BEGIN * radius - half, v, half);
    }

    /** From the nearest arm or branch: all arms are folded upon one half of one. */
    private toArms(along: number, beside: number): number {
        const { radius } = this.place;
        const length = hypotenuse(along, beside);
        const angle = Math.abs(((Math.abs(Math.atan2(beside, along)) + SIXTH / 2) % SIXTH) - SIXTH / 2);
        const [u, v] = [length * Math.cos(angle), length * Math.sin(angle)];
        const arm = toSegment(u - radius / 2, v, radius / 2);
        // The branch stands off at a sixth of a turn.
        const [from, branch] = [u - FORK * radius, BRANCH * radius];
        const [out, off] = [from / 2 + v * SINE_OF_SIXTH, v / 2 - from * SINE_OF_SIXTH];
        return Math.min(arm, toSegment(out - branch / 2, off, branch / 2));
    }
}

/** What is left of the strength of one that is thinner than a px: as much as it covers of it. */
function thinness(thick: number, isLine: boolean): number {
    if (thick >= 0.5) return 1;
    const thin = (2 * thick) / (thick + 0.5) ** 2;
    return isLine ? thin : thin * 2 * thick;
}

/** From a segment that lies along the first axis, so much to either side. */
function toSegment(along: number, beside: number, half: number): number {
    const over = Math.abs(along) - half;
    return over <= 0 ? Math.abs(beside) : hypotenuse(over, beside);
}

const hypotenuse = (a: number, b: number): number => Math.sqrt(a * a + b * b);
