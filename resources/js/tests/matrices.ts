/** The browser's points and matrices in the plane, as far as the surface needs them: by the definition of each. */
import { vi } from 'vitest';

type Six = [number, number, number, number, number, number];

export class Matrix {
    constructor(private readonly six: Six = [1, 0, 0, 1, 0, 0]) {}

    get a(): number {
        return this.six[0];
    }

    get b(): number {
        return this.six[1];
    }

    private times([a, b, c, d, e, f]: Six): Matrix {
        const [A, B, C, D, E, F] = this.six;
        return new Matrix([
            A * a + C * b,
            B * a + D * b,
            A * c + C * d,
            B * c + D * d,
            A * e + C * f + E,
            B * e + D * f + F,
        ]);
    }

    translate(x: number, y: number): Matrix {
        return this.times([1, 0, 0, 1, x, y]);
    }

    scale(x: number, y = x): Matrix {
        return this.times([x, 0, 0, y, 0, 0]);
    }

    rotate(degrees: number): Matrix {
        const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
        return this.times([cos, sin, -sin, cos, 0, 0]);
    }

    inverse(): Matrix {
        const [a, b, c, d, e, f] = this.six;
        const det = a * d - b * c;
        return new Matrix([d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det]);
    }

    transformPoint({ x, y }: { x: number; y: number }): { x: number; y: number } {
        const [a, b, c, d, e, f] = this.six;
        return { x: a * x + c * y + e, y: b * x + d * y + f };
    }
}

export function stubMatrices(): void {
    vi.stubGlobal('DOMMatrix', Matrix);
    vi.stubGlobal(
        'DOMPoint',
        class {
            constructor(
                readonly x: number,
                readonly y: number,
            ) {}
        },
    );
}

/** A shape that was drawn: its corners or middle, and how. */
export interface Drawn {
    what: 'stroke' | 'fill' | 'fillRect' | 'strokeRect';
    /** Each begun line, its points as "x,y", rounded; arcs as "o x,y radius", rectangles as "x,y width x height". */
    path: string[][];
    colour: string;
    width: number;
    dash: number[];
    alpha: number;
}

const rounded = (value: number): number => Math.round(value * 10) / 10 + 0;

/** A canvas that writes down what is drawn on it. */
export class Recorder {
    readonly drawn: Drawn[] = [];
    strokeStyle = '';
    fillStyle = '';
    lineWidth = 1;
    lineCap = '';
    lineJoin = '';
    globalAlpha = 1;
    private dash: number[] = [];
    private path: string[][] = [];
    private offset = [0, 0];
    private readonly kept: Partial<Recorder>[] = [];

    save(): void {
        const { strokeStyle, fillStyle, lineWidth, globalAlpha, dash, offset } = this;
        this.kept.push({
            strokeStyle,
            fillStyle,
            lineWidth,
            globalAlpha,
            dash,
            offset,
        } as unknown as Partial<Recorder>);
    }
    restore(): void {
        Object.assign(this, this.kept.pop());
    }
    setLineDash(dash: number[]): void {
        this.dash = dash;
    }
    setTransform(...six: unknown[]): void {
        this.offset = six.length === 6 ? (six.slice(4) as number[]) : [0, 0];
    }
    rotate(): void {
        this.offset = [...this.offset, 45];
    }
    beginPath(): void {
        this.path = [];
    }
    moveTo(x: number, y: number): void {
        this.path.push([`${rounded(x)},${rounded(y)}`]);
    }
    lineTo(x: number, y: number): void {
        this.path[this.path.length - 1].push(`${rounded(x)},${rounded(y)}`);
    }
    closePath(): void {
        this.path[this.path.length - 1].push('closed');
    }
    arc(x: number, y: number, radius: number): void {
        this.path.push([`o ${rounded(x)},${rounded(y)} ${rounded(radius)}`]);
    }
    rect(x: number, y: number, width: number, height: number): void {
        this.path.push([`${rounded(x)},${rounded(y)} ${rounded(width)}x${rounded(height)}`]);
    }
    stroke(): void {
        this.note('stroke', this.path, this.strokeStyle);
    }
    fill(): void {
        this.note('fill', this.path, this.fillStyle);
    }
    fillRect(...box: [number, number, number, number]): void {
        this.note('fillRect', this.boxed(box), this.fillStyle);
    }
    strokeRect(...box: [number, number, number, number]): void {
        this.note('strokeRect', this.boxed(box), this.strokeStyle);
    }

    private boxed([x, y, width, height]: [number, number, number, number]): string[][] {
        const [dx, dy, turn] = this.offset;
        const turned = turn === undefined ? '' : ' turned';
        return [[`${rounded(x + dx)},${rounded(y + dy)} ${width}x${height}${turned}`]];
    }

    private note(what: Drawn['what'], path: string[][], colour: string): void {
        const { lineWidth, dash, globalAlpha } = this;
        this.drawn.push({
            what,
            path: path.map((line) => [...line]),
            colour,
            width: lineWidth,
            dash,
            alpha: globalAlpha,
        });
    }
}
