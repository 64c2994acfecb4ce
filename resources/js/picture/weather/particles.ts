/** The coverage of many particles, as core/src/Compose/Weather/Particles.php makes it. */
import type { ParticlesData } from '../../api/generated';
import { chance } from '../chance';
import type { Stretch } from '../ground';
import type { Stack } from '../stack';
import { underLamps } from './lamplight';
import { CRYSTAL_OF_DISC, LONGER, MEAN_OF_STREAK, Particle, RIPPLE_OF_DISC, SPLASH_OF_DISC } from './particle';

/** How much larger and farther apart the particles of each plane are than those of the middle one. */
const PLANES = [
    ['near', 1.8],
    ['middle', 1],
    ['far', 0.5],
] as const;
/** How much of what is sharp in the middle plane stays so in the far one. */
const FAR_SHARP = 0.5;
/** With cells smaller than that, px, particles cannot be told apart: the plane is laid evenly. */
const FINE = 1.5;
/** Cells of one row, and numbers drawn for one cell. */
const [ROW, NUMBERS] = [1 << 13, 8];

/** The largest they can be set, as core/src/Page/Pass/ParticlesContent.php bounds it. */
const MOST_SIZE = 60;

/** The same particles, larger by their outline on every side; null: they have none. */
export function outlined(content: ParticlesData): ParticlesData | null {
    if (!(content.outline > 0)) return null;
    const size = Math.min(MOST_SIZE, content.size + 2 * content.outline);
    const softness = (content.softness * content.size) / size;
    return { ...content, colour: content.outlineColour, size, softness, outline: 0 };
}

interface Plane {
    seed: number;
    scale: number;
    strength: number;
    softness: number;
    /** Px from one particle to the next. */
    cell: number;
}

/** @param level how often the page is halved */
export function particles(content: ParticlesData, page: Stack['page'], level: number, stretch: Stretch): Uint8Array {
    const size = { width: page.width / 2 ** level, height: page.height / 2 ** level };
    const unit = Math.max(size.width, size.height) / 1000;
    const bytes = new Uint8ClampedArray(stretch.width * stretch.height);
    let even = 0;
    PLANES.forEach(([name, scale], number) => {
        const strength = content[name];
        if (strength <= 0) return;
        const softness = name === 'far' ? 1 - FAR_SHARP * (1 - content.softness) : content.softness;
        const cell = content.spacing * scale * unit;
        if (cell < FINE) {
            even += Math.floor(evenly(content, softness, strength) + 0.5);
            return;
        }
        const plane = { seed: content.seed * 4 + number, scale, strength, softness, cell };
        for (const particle of near(content, unit, stretch, plane)) add(bytes, stretch, particle);
    });
    if (even > 0) for (let i = 0; i < bytes.length; i++) bytes[i] += even;
    const plane = new Uint8Array(bytes.buffer);
    underLamps(plane, content, size, stretch);
    return plane;
}

/** Those of one plane that may show in a stretch of the page. */
function* near(content: ParticlesData, unit: number, stretch: Stretch, plane: Plane): Iterable<Particle> {
    const { seed, scale, cell, softness } = plane;
    const { variety } = content;
    const [size, length] = [content.size * scale * unit, content.length * scale * unit];
    const reach = size + length / 2 + 1;
    const [firstColumn, lastColumn] = cells(stretch.x, stretch.width, reach, cell);
    const [firstRow, lastRow] = cells(stretch.y, stretch.height, reach, cell);
    for (let row = firstRow; row <= lastRow; row++) {
        for (let column = firstColumn; column <= lastColumn; column++) {
            const at = (row * ROW + column) * NUMBERS;
            const varied = 1 - variety * chance(seed, at + 2);
            let turn = ((content.spread * 90 * (2 * chance(seed, at + 3) - 1) + content.angle) * Math.PI) / 180;
            if (content.form === 'crystal') turn += chance(seed, at + 5) * Math.PI;
            yield new Particle(content.form, {
                x: (column + chance(seed, at)) * cell,
                y: (row + chance(seed, at + 1)) * cell,
                radius: (size * varied) / 2,
                length: length * varied,
                across: Math.sin(turn),
                down: Math.cos(turn),
                softness,
                strength: plane.strength * (1 - variety * chance(seed, at + 4)),
            });
        }
    }
}

const cells = (from: number, count: number, reach: number, cell: number): [number, number] => [
    Math.floor((from - reach) / cell),
    Math.floor((from + count + reach) / cell),
];

function add(bytes: Uint8ClampedArray, { x, y, width, height }: Stretch, particle: Particle): void {
    const [first, last] = particle.rows();
    for (let row = Math.max(first, y); row <= Math.min(last, y + height - 1); row++) {
        const [from, to] = particle.span(row);
        const at = (row - y) * width - x;
        for (let column = Math.max(from, x); column <= Math.min(to, x + width - 1); column++)
            bytes[at + column] += particle.at(column, row);
    }
}

/** 0..255: the mean of one plane, by what one particle covers of its cell. */
function evenly(content: ParticlesData, softness: number, strength: number): number {
    const mean = 1 - content.variety / 2;
    const [size, length] = [content.size * mean, content.length * mean];
    // A soft edge covers more outside a disc than it takes off inside.
    const disc = ((Math.PI * size * size) / 4) * (1 + (softness * softness) / 3);
    const covered = {
        streak: disc + MEAN_OF_STREAK * size * length,
        flake: disc + size * length,
        crystal: CRYSTAL_OF_DISC * disc,
        petal: disc / LONGER,
        ripple: RIPPLE_OF_DISC * disc,
        splash: SPLASH_OF_DISC * disc,
    }[content.form];
    return 255 * strength * mean * Math.min(1, covered / content.spacing ** 2);
}
