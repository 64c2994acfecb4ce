"""Line art with known answers, and how well flats found on a damaged copy of it agree with them.

Drawings: the npm package openmoji (CC BY-SA 4.0), the "line" group of each source file, rasterised by rsvg-convert; and the
group "patterns", drawn by flats_patterns.
Measures: OpenCV's connectedComponents on the undamaged drawing is the truth.

    flats_sheets.py make OPENMOJI GROUP SEED DIR [any] [turned] [SIZE] [GAP]
                                                     writes DIR/truth.png (clean lines) and DIR/scan.png (damaged): lines cut
                                                     across, or at any angle; sheets of SIZE px, cuts of 2 to GAP px
    flats_sheets.py trapped INK.png OUT.png          writes the regions of trapped-ball filling (Zhang, Chen, Zhu and Hu,
                                                     "Vectorizing Cartoon Animations", 2009; from memory), as 16-bit labels
    flats_sheets.py score DIR/truth.png LABELS.png   prints one JSON object
"""
import json
import re
import subprocess
import sys
from pathlib import Path
from xml.etree import ElementTree

import cv2
import numpy as np

import flats_patterns

SIDE, GRID, CUTS = 1600, 4, 60
# A region has so many pixels, and one so far from any line, px: where two lines run into each other, their grey edges leave slits of
# a pixel or two that no scan shows and nobody colours.
LEAST, DEEP = 40, 2.0
# The group of drawings that are made here, and are not in the package.
PATTERNS = "patterns"
SVG = "{http://www.w3.org/2000/svg}"
ElementTree.register_namespace("", SVG[1:-1])


def line_group(path: Path):
    group = ElementTree.parse(path).getroot().find(f".//{SVG}g[@id='line']")
    return None if group is None else ElementTree.tostring(group, encoding="unicode")


def turned(rng, cell: float) -> str:
    """A drawing as it is not in the package: turned, mirrored or not, at about its size, so that what is drawn apart stays so."""
    turn, mirrored = 90 * rng.integers(4) + rng.uniform(-12, 12), rng.choice((-1, 1))
    return f"translate({cell / 2} {cell / 2}) rotate({turn}) scale({mirrored} 1) translate({-cell / 2} {-cell / 2})"


def openmoji_drawings(openmoji: Path, group: str, rng):
    """The line art of a group, in an order that is drawn by lot."""
    entries = json.loads((openmoji / "data" / "openmoji.json").read_text())
    names = sorted(e["hexcode"] for e in entries if e["group"] == group and not e["skintone"])
    rng.shuffle(names)
    for name in names:
        path = openmoji / "color" / "svg" / f"{name}.svg"
        body = line_group(path) if path.is_file() else None
        if body is not None:
            yield re.sub(r'stroke-width="[\d.]+"', 'stroke-width="0.9"', body)


def drawn_patterns(rng):
    while True:
        yield flats_patterns.drawing(rng)


def sheet(openmoji: Path, group: str, rng, side: int = SIDE, any_turn: bool = False) -> np.ndarray:
    drawings = drawn_patterns(rng) if group == PATTERNS else openmoji_drawings(openmoji, group, rng)
    cell = side // GRID
    parts = []
    for place, body in zip(range(GRID * GRID), drawings):
        x, y = place % GRID * cell, place // GRID * cell
        parts.append(f'<g transform="translate({x} {y}) scale({cell / 72}) {turned(rng, 72) if any_turn else ""}" stroke-width="0.9">{body}</g>')
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="{side}" height="{side}">{"".join(parts)}</svg>'
    png = subprocess.run(["rsvg-convert", "-b", "white"], input=svg.encode(), capture_output=True, check=True).stdout
    return cv2.imdecode(np.frombuffer(png, np.uint8), cv2.IMREAD_GRAYSCALE)


def cut_lines(lines: np.ndarray, rng, any_angle: bool = False, most: float = 10) -> np.ndarray:
    """Takes CUTS pieces of 2 px to the most out of the lines: across their whole width, or as the knife falls."""
    out = lines.copy()
    ys, xs = np.nonzero(lines < 100)
    ink = (lines < 128).astype(np.uint8)
    for _ in range(CUTS):
        i = rng.integers(len(xs))
        x, y, r = int(xs[i]), int(ys[i]), 8
        patch = ink[max(0, y - r):y + r + 1, max(0, x - r):x + r + 1]
        _, island = cv2.connectedComponents(patch, connectivity=8)
        py, px = np.nonzero(island == island[min(r, y), min(r, x)])
        points = np.stack([px, py]).astype(float)
        points -= points.mean(axis=1, keepdims=True)
        _, vectors = np.linalg.eigh(points @ points.T)
        tangent = vectors[:, 1]
        if any_angle:
            angle = rng.uniform(0, np.pi)
            tangent = np.array([np.cos(angle), np.sin(angle)])
        normal = np.array([-tangent[1], tangent[0]])
        long, wide = rng.uniform(2, most) / 2, 0.6 * most
        corners = np.array([[x, y] + a * long * tangent + b * wide * normal for a, b in ((-1, -1), (1, -1), (1, 1), (-1, 1))])
        cv2.fillConvexPoly(out, np.round(corners * 16).astype(np.int32), 255, lineType=cv2.LINE_AA, shift=4)
    return out


def scan(lines: np.ndarray, rng) -> np.ndarray:
    """Tinted paper under uneven light, slight blur, grain."""
    h, w = lines.shape
    grey = cv2.GaussianBlur(lines, (0, 0), 0.8).astype(float) / 255
    yy, xx = np.mgrid[0:h, 0:w]
    light = 0.95 - 0.18 * ((xx / w - rng.uniform(0.2, 0.8)) ** 2 + (yy / h - rng.uniform(0.2, 0.8)) ** 2)
    tint = np.array([0.86, 0.93, 0.97])  # blue, green, red
    bgr = (0.1 + 0.9 * grey)[..., None] * light[..., None] * tint * 255
    return np.clip(bgr + rng.normal(0, 4, (h, w, 1)), 0, 255).astype(np.uint8)


def trapped(ink_path: str, out_path: str, largest: int = 8) -> None:
    """Balls from large to small: what one can reach without passing a gap narrower than itself is a region."""
    open_ground = (cv2.imread(ink_path, cv2.IMREAD_GRAYSCALE) < 100).astype(np.uint8)
    labels = np.zeros(open_ground.shape, np.int32)
    count = 0
    for radius in range(largest, 2, -1):
        left = (open_ground > 0) & (labels == 0)
        ball = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (2 * radius + 1, 2 * radius + 1))
        core = cv2.erode(left.astype(np.uint8), ball, borderValue=1)
        found, pieces, stats, _ = cv2.connectedComponentsWithStats(core, connectivity=4)
        for piece in range(1, found):
            x, y, w, h = stats[piece, :4]
            left_, top, right, bottom = max(0, x - radius), max(0, y - radius), x + w + radius, y + h + radius
            mask = cv2.dilate((pieces[top:bottom, left_:right] == piece).astype(np.uint8), ball) > 0
            part = labels[top:bottom, left_:right]
            mask &= left[top:bottom, left_:right] & (part == 0)
            if mask.sum() >= 40:
                count += 1
                part[mask] = count
    # What is left, under the lines too, goes to the nearest.
    _, nearest = cv2.distanceTransformWithLabels((labels == 0).astype(np.uint8), cv2.DIST_L2, 5, labelType=cv2.DIST_LABEL_PIXEL)
    of = np.zeros(nearest.max() + 1, np.int32)
    of[nearest[labels > 0]] = labels[labels > 0]
    cv2.imwrite(out_path, of[nearest].astype(np.uint16))


def score(truth_path: str, labels_path: str) -> dict:
    free = (cv2.imread(truth_path, cv2.IMREAD_GRAYSCALE) >= 128).astype(np.uint8)
    labels = cv2.imread(labels_path, cv2.IMREAD_UNCHANGED).astype(np.int64)
    count, truth, stats, _ = cv2.connectedComponentsWithStats(free, connectivity=4)
    deepest = np.zeros(count)
    np.maximum.at(deepest, truth.ravel(), cv2.distanceTransform(free, cv2.DIST_L2, 5).ravel())
    mains, pieces, kept, total = [], [], 0, 0
    order = np.argsort(truth, axis=None, kind="stable")
    bounds = np.searchsorted(truth.ravel()[order], np.arange(count + 1))
    flat = labels.ravel()
    for region in range(1, count):
        if stats[region, cv2.CC_STAT_AREA] < LEAST or deepest[region] < DEEP:
            continue
        values, counts = np.unique(flat[order[bounds[region]:bounds[region + 1]]], return_counts=True)
        counts = np.where(values == 0, 0, counts)
        mains.append(int(values[counts.argmax()]))
        pieces.append(int((counts >= LEAST).sum()))
        kept += int(counts.max())
        total += int(stats[region, cv2.CC_STAT_AREA])
    shared = sum(1 for main in mains if mains.count(main) > 1)
    return {
        "regions": len(mains),
        "leaked": shared / len(mains),
        "pieces": float(np.mean(pieces)),
        "purity": kept / total,
        "unlabelled": float((labels == 0).mean()),
    }


if __name__ == "__main__":
    if sys.argv[1] == "make":
        openmoji, group, seed, target = Path(sys.argv[2]), sys.argv[3], int(sys.argv[4]), Path(sys.argv[5])
        more = sys.argv[6:]
        any_angle = "any" in more
        side, most = ([int(word) for word in more if word.isdigit()] + [SIDE, 10])[:2] if any(word.isdigit() for word in more) else (SIDE, 10)
        rng = np.random.default_rng(seed)
        target.mkdir(parents=True, exist_ok=True)
        clean = sheet(openmoji, group, rng, side, "turned" in more)
        cv2.imwrite(str(target / "truth.png"), clean)
        cv2.imwrite(str(target / "scan.png"), scan(cut_lines(clean, rng, any_angle, most), rng))
    elif sys.argv[1] == "trapped":
        trapped(sys.argv[2], sys.argv[3])
    else:
        print(json.dumps(score(sys.argv[2], sys.argv[3])))
