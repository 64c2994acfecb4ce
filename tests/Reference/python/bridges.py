"""Learns which gaps in lines are damage, from drawings that are cut on purpose, and writes core/src/Flats/bridge_trees.json.

    bridges.py OPENMOJI FOLDER [KIND]…
                                    makes sheets in FOLDER, asks bridge_candidates.php what can be measured of every bridge
                                    that may be made in them, and learns from it; prints how well, held against sheets that
                                    were left out in turn

Only the groups that are named below are looked at. Boosted regression trees with logistic loss: Friedman, "Greedy
function approximation: a gradient boosting machine", Annals of Statistics 29 (2001), section 4.4, with Newton steps; each tree
is grown on a part of the rows, drawn by lot: Friedman, "Stochastic gradient boosting" (2002). (Both from memory.)
"""
import io
import os
import json
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import numpy as np

import flats_sheets

HERE = Path(__file__).resolve().parent
GROUPS = ("animals-nature", "people-body", "objects", "smileys-emotion", "symbols", "extras-openmoji", "extras-unicode", "patterns")
SEEDS, SEEDS_LEFT = range(101, 115), range(131, 161)
TREES_FILE = HERE.parents[2] / "core/src/Flats/bridge_trees.json"
# From this share of it on a bridge lies where a line was.
SURE = 0.6
TREES, DEPTH, RATE, PART, LEAST, RIDGE = 60, 4, 0.12, 0.5, 15, 1.0
FOLDS = 5
# So many sheets are looked at by one process.
TOGETHER = 20


def sheets(openmoji: Path, folder: Path, groups, seeds, cuts) -> list:
    made = []
    for group in groups:
        for seed in seeds:
            for cut in cuts:
                target = folder / f"{group}-{seed}-{cut}"
                if not (target / "scan.png").is_file():
                    subprocess.run([sys.executable, HERE / "flats_sheets.py", "make", openmoji, group, str(seed), target, cut, "turned"], check=True)
                made.append(target)
    return made


def candidates(kind: str, folders: list) -> np.ndarray:
    """Columns: sheet, line end, share on a line, features."""
    def asked(first: int) -> np.ndarray:
        some = folders[first:first + TOGETHER]
        said = subprocess.run(["php", HERE.parent / "bridge_candidates.php", kind, *some], capture_output=True, check=True, text=True)
        rows = np.loadtxt(io.StringIO(said.stdout), delimiter=",", ndmin=2)
        rows[:, 0] += first
        return rows

    with ThreadPoolExecutor(os.cpu_count()) as pool:
        return np.vstack(list(pool.map(asked, range(0, len(folders), TOGETHER))))


def grow(x, gradient, weight, depth):
    """A tree: [feature, value, lower, higher], or the answer of a leaf."""
    answer = float(gradient.sum() / (weight.sum() + RIDGE))
    best, where = 1e-6, None
    if depth > 0 and len(x) >= 2 * LEAST:
        total, mass = gradient.sum(), weight.sum()
        before = total * total / (mass + RIDGE)
        for feature in range(x.shape[1]):
            order = np.argsort(x[:, feature], kind="stable")
            values = x[order, feature]
            sums, masses = np.cumsum(gradient[order]), np.cumsum(weight[order])
            at = np.nonzero(np.diff(values) > 1e-9)[0]
            at = at[(at + 1 >= LEAST) & (len(x) - at - 1 >= LEAST)]
            if len(at) == 0:
                continue
            gain = sums[at] ** 2 / (masses[at] + RIDGE) + (total - sums[at]) ** 2 / (mass - masses[at] + RIDGE) - before
            if gain.max() > best:
                best, k = gain.max(), gain.argmax()
                where = feature, round(float((values[at[k]] + values[at[k] + 1]) / 2), 4)
    if where is None:
        return answer
    lower = x[:, where[0]] < where[1]
    return [*where, grow(x[lower], gradient[lower], weight[lower], depth - 1), grow(x[~lower], gradient[~lower], weight[~lower], depth - 1)]


def answers(tree, x):
    if not isinstance(tree, list):
        return np.full(len(x), tree)
    out, lower = np.empty(len(x)), x[:, tree[0]] < tree[1]
    out[lower], out[~lower] = answers(tree[2], x[lower]), answers(tree[3], x[~lower])
    return out


def learn(x, y):
    bias = float(np.log(y.mean() / (1 - y.mean())))
    sums, trees, lot = np.full(len(y), bias), [], np.random.default_rng(1)
    for _ in range(TREES):
        p, some = 1 / (1 + np.exp(-sums)), lot.random(len(y)) < PART
        trees.append(grow(x[some], (y - p)[some], (p * (1 - p))[some], DEPTH))
        sums += RATE * answers(trees[-1], x)
    return bias, trees


def scores(model, x):
    return 1 / (1 + np.exp(-model[0] - RATE * sum(answers(tree, x) for tree in model[1])))


def flat(tree) -> list:
    """Three numbers a node: feature, value, where the higher ones go on; or -1, the answer, 0."""
    if not isinstance(tree, list):
        return [-1, round(RATE * tree, 4), 0]
    lower, higher = flat(tree[2]), flat(tree[3])
    moved = lambda nodes, by: [n + by if i % 3 == 2 and nodes[i - 2] >= 0 else n for i, n in enumerate(nodes)]
    return [tree[0], tree[1], 3 + len(lower), *moved(lower, 3), *moved(higher, 3 + len(lower))]


def report(kind, data, y):
    x, sheet, p = data[:, 3:], data[:, 0].astype(int), np.zeros(len(data))
    for fold in range(FOLDS):
        out = sheet // 2 % FOLDS == fold
        p[out] = scores(learn(x[~out], y[~out]), x[out])
    for least in (0.1, 0.2, 0.3, 0.5, 0.7):
        print(f"{kind}: of {int(y.sum())} where a line was, {int(y[p >= least].sum())} are at {least} or surer, and {int((1 - y)[p >= least].sum())} others")


def written(name: str, model) -> None:
    """Puts one forest in the place of the one that stands there, or beside the others."""
    bias, trees = model
    forests = json.loads(TREES_FILE.read_text())
    forests[name] = {"bias": round(bias, 4), "trees": [[float(f"{n:g}") for n in flat(tree)] for tree in trees]}
    TREES_FILE.write_text("{\n" + ",\n".join(asText(name, forest) for name, forest in forests.items()) + "\n}\n")


def asText(name: str, forest: dict) -> str:
    """A tree a line, so that a change can be read."""
    trees = ",\n".join("[" + ", ".join(f"{n:g}" for n in tree) + "]" for tree in forest["trees"])
    return f'"{name}": {{"bias": {forest["bias"]:g}, "trees": [\n{trees}\n]}}'


def main():
    openmoji, folder = Path(sys.argv[1]).resolve(), Path(sys.argv[2]).resolve()
    folder.mkdir(parents=True, exist_ok=True)
    # In this order: what is left depends on what the first have chosen.
    first, left = (GROUPS, SEEDS, ("across", "any")), (GROUPS, SEEDS_LEFT, ("any",))
    kinds = {"pairs": ("pair", first), "shots": ("shot", first), "left-pairs": ("leftPair", left), "left-shots": ("leftShot", left)}
    for kind in [kind for kind in kinds if kind in sys.argv[3:] or not sys.argv[3:]]:
        name, which = kinds[kind]
        data = candidates(kind, sheets(openmoji, folder, *which))
        y = (data[:, 2] >= SURE).astype(float)
        report(kind, data, y)
        written(name, learn(data[:, 3:], y))


if __name__ == "__main__":
    main()
