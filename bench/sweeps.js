/**
 * Plans how a hand sweeps a page, on the pixels of the screen: which material next, and along which way. Run in the bench's own
 * window by flat_by_hand.php; answers what is asked by `arguments[0]`.
 */
const { renderer, session } = window.awning;
const SIDE = 256;
const canvas = document.getElementById('surface');

/** The region under each pixel of the canvas, as the tools find it. */
function labelsOnScreen() {
    const { view, level } = renderer;
    const { width: pageWidth, height: pageHeight } = session.view.records.page.page;
    const [width, height] = [canvas.clientWidth, canvas.clientHeight];
    const labels = new Uint16Array(width * height);
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const px = view.x + (x + 0.5 - width / 2) / view.scale;
            const py = view.y + (y + 0.5 - height / 2) / view.scale;
            if (px < 0 || py < 0 || px >= pageWidth || py >= pageHeight) continue;
            const [lx, ly] = [Math.floor(px) >> level, Math.floor(py) >> level];
            const tile = session.tiles.peek(level, 'flats', lx >> 8, ly >> 8);
            if (tile === null) throw new Error('The flats are not all here yet.');
            const at = 2 * ((ly & 255) * SIDE + (lx & 255));
            labels[y * width + x] = (tile[at] << 8) | tile[at + 1];
        }
    }
    return { labels, width, height };
}

/** Where a hand can go and touch nothing but what it may: a pixel and all round it. */
function safeFor({ labels, width, height }, may) {
    const isMay = new Uint8Array(65536);
    for (const label of may) isMay[label] = 1;
    const safe = new Uint8Array(width * height);
    for (let y = 1; y < height - 1; y++) {
        for (let x = 1; x < width - 1; x++) {
            const at = y * width + x;
            let isSafe = 1;
            for (let dy = -width; dy <= width && isSafe; dy += width)
                isSafe = isMay[labels[at + dy - 1]] & isMay[labels[at + dy]] & isMay[labels[at + dy + 1]];
            safe[at] = isSafe;
        }
    }
    return safe;
}

/** Pixels with one region all round them: there a hand hits it, and nothing beside it. */
function heartsOf({ labels, width, height }) {
    const hearts = new Uint8Array(width * height);
    for (let at = width + 1; at < hearts.length - width - 1; at++) {
        let isHeart = 1;
        for (const beside of [-width - 1, -width, 1 - width, -1, 1, width - 1, width, width + 1]) isHeart &= labels[at + beside] === labels[at] ? 1 : 0;
        hearts[at] = isHeart;
    }
    return hearts;
}

/** From some pixels outward over safe ones, until the midst of a wanted region is met; the way to it, or null. */
function wayTo(screen, safe, starts, isWanted) {
    const { labels, width, hearts } = screen;
    const before = new Int32Array(labels.length).fill(-1);
    const open = [...starts];
    for (const start of open) before[start] = start;
    for (let next = 0; next < open.length; next++) {
        const at = open[next];
        if (hearts[at] === 1 && isWanted[labels[at]] === 1) {
            const way = [at];
            while (before[way[way.length - 1]] !== way[way.length - 1]) way.push(before[way[way.length - 1]]);
            return way.reverse();
        }
        for (const step of [1, -1, width, -width]) {
            const to = at + step;
            if (safe[to] === 1 && before[to] < 0) {
                before[to] = at;
                open.push(to);
            }
        }
    }
    return null;
}

/** The sweeps one material takes now: each a way over the screen; and the regions a hand of this screen cannot touch safely. */
function sweepsOf(screen, wanted, filled) {
    const safe = safeFor(screen, [...wanted, ...filled]);
    const isWanted = new Uint8Array(65536);
    const left = new Set(wanted);
    const first = new Map();
    for (let at = 0; at < safe.length; at++) {
        const label = screen.labels[at];
        if (safe[at] === 1 && screen.hearts[at] === 1 && left.has(label) && !first.has(label)) first.set(label, at);
    }
    const unreachable = wanted.filter((label) => !first.has(label));
    unreachable.forEach((label) => left.delete(label));
    for (const label of left) isWanted[label] = 1;
    const sweeps = [];
    while (left.size > 0) {
        const [start] = left;
        let at = first.get(start);
        const ways = [[at]];
        const take = (label) => {
            isWanted[label] = 0;
            left.delete(label);
        };
        take(start);
        for (let more = wayTo(screen, safe, [at], isWanted); more !== null; more = wayTo(screen, safe, [at], isWanted)) {
            ways.push(more);
            at = more[more.length - 1];
            for (const on of more) if (screen.hearts[on] === 1 && isWanted[screen.labels[on]] === 1) take(screen.labels[on]);
        }
        // What is gone to is reached, whatever is cut short between.
        sweeps.push({ px: ways.flat().length, points: ways.flatMap((way) => straightened(way, screen, safe)) });
    }
    return { sweeps, unreachable };
}

/** Px of the screen between two places of the pointer, at the most. */
const STRIDE = 12;

/** The way in strides, each straight over safe pixels alone. */
function straightened(way, { width }, safe) {
    const spot = (on) => [on % width, Math.floor(on / width)];
    const isStraight = ([ax, ay], [bx, by]) => {
        for (let i = 0; i <= 2 * STRIDE; i++) {
            const [x, y] = [Math.round(ax + ((bx - ax) * i) / (2 * STRIDE)), Math.round(ay + ((by - ay) * i) / (2 * STRIDE))];
            if (safe[y * width + x] === 0) return false;
        }
        return true;
    };
    const points = [spot(way[0])];
    for (let at = 0; at < way.length - 1; ) {
        let to = Math.min(way.length - 1, at + STRIDE);
        while (to > at + 1 && !isStraight(spot(way[at]), spot(way[to]))) to--;
        points.push(spot(way[to]));
        at = to;
    }
    return points;
}

const [truth, filled] = arguments;
const screen = labelsOnScreen();
screen.hearts = heartsOf(screen);
const byMaterial = new Map();
for (const [label, material] of Object.entries(truth))
    if (!filled.includes(Number(label))) byMaterial.set(material, [...(byMaterial.get(material) ?? []), Number(label)]);
let best = null;
for (const [material, wanted] of byMaterial) {
    const plan = sweepsOf(screen, wanted, filled);
    const isBetter = best === null || plan.sweeps.length < best.sweeps.length || (plan.sweeps.length === best.sweeps.length && wanted.length > best.wanted.length);
    // A material none of whose regions can be touched yet waits for the others, and then for a nearer look.
    if (plan.sweeps.length > 0 && isBetter) best = { material, wanted, ...plan };
}
return best;
