// Colours through two outside libraries: culori and colorjs.io. Reads pairs of hex colours, writes their coordinates.
import { converter, differenceCiede2000, filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit } from 'culori';
import Color from 'colorjs.io';

const pairs = JSON.parse(await new Promise((done) => { let s = ''; process.stdin.on('data', (d) => (s += d)).on('end', () => done(s)); }));
const lab = converter('lab');
const lch = converter('lch');
const oklab = converter('oklab');
const delta = differenceCiede2000();
const oklch = converter('oklch');
const linear = converter('lrgb');
// culori lays its matrices on the encoded colour; given linear parts as if they were encoded, it lays them on these.
const sights = { protan: filterDeficiencyProt(1), deutan: filterDeficiencyDeuter(1), tritan: filterDeficiencyTrit(1) };
const seen = (hex, sight) => {
    const { r, g, b } = linear(hex);
    const out = sights[sight]({ mode: 'rgb', r, g, b });
    return [out.r, out.g, out.b];
};
console.log(JSON.stringify(pairs.map(([a, b]) => {
    const js = new Color(a);
    return {
        lab: [lab(a).l, lab(a).a, lab(a).b], lch: [lch(a).l, lch(a).c], oklab: [oklab(a).l, oklab(a).a, oklab(a).b],
        labJs: js.to('lab').coords, oklabJs: js.to('oklab').coords, // culori measures between lab65; told our D50 coordinates are such, it applies its formula to them as they are.
        oklch: [oklch(a).l, oklch(a).c, oklch(a).h ?? 0], oklchJs: js.to('oklch').coords.map((x) => x ?? 0),
        seen: Object.fromEntries(Object.keys(sights).map((sight) => [sight, seen(a, sight)])),
        delta: delta({ ...lab(a), mode: 'lab65' }, { ...lab(b), mode: 'lab65' }),
    };
})));
