"""Line art with known answers under the damage that scans and photographs bring, and how well cleaned ink agrees with it.

Drawings: as in flats_sheets.py, with solid blacks laid among them. Rivals: OpenCV's adaptiveThreshold and scikit-image's
threshold_sauvola and threshold_otsu, on the same page turned to grey.

    ink_sheets.py make OPENMOJI GROUP SEED DIR DAMAGE…   for each damage a sheet of its own, the first by that seed and each
                                                         further one by the next: writes DIR/DAMAGE/truth.png (ink is black)
                                                         and DIR/DAMAGE/scan.png
    ink_sheets.py score DIR DAMAGE…                      reads DIR/DAMAGE/ink.png, too: 255 is full ink. Prints one JSON
                                                         object: by damage, for ours and for each rival, precision and recall
                                                         within one pixel
"""
import json
import sys
from pathlib import Path

import cv2
import numpy as np

from flats_sheets import SIDE, sheet


def ink_of(openmoji: Path, group: str, rng) -> tuple[np.ndarray, np.ndarray]:
    """Coverage 0..1: line drawings with three solid blacks, and the line drawings alone as light 0..1."""
    light_left = sheet(openmoji, group, rng).astype(float) / 255
    lines = 1 - light_left
    solid = np.zeros((SIDE, SIDE), np.uint8)
    for _ in range(3):
        at = rng.integers(150, SIDE - 150, 2)
        axes = rng.integers(40, 130, 2)
        cv2.ellipse(solid, [int(v) for v in at], [int(v) for v in axes], float(rng.uniform(0, 180)), 0, 360, 255, -1, cv2.LINE_AA)
    return np.maximum(lines, solid / 255), light_left


def light(rng) -> np.ndarray:
    yy, xx = np.mgrid[0:SIDE, 0:SIDE] / SIDE
    return 0.95 - 0.2 * ((xx - rng.uniform(0.2, 0.8)) ** 2 + (yy - rng.uniform(0.2, 0.8)) ** 2)


def area(rng, soft: float) -> np.ndarray:
    """1 inside a wild outline that covers about half of the page."""
    angles = np.sort(rng.uniform(0, 2 * np.pi, 7))
    middle = rng.uniform(0.3, 0.7, 2) * SIDE
    points = [middle + SIDE * rng.uniform(0.3, 0.6) * np.array([np.cos(a), np.sin(a)]) for a in angles]
    mask = np.zeros((SIDE, SIDE), np.uint8)
    cv2.fillPoly(mask, [np.round(points).astype(np.int32)], 255)
    return cv2.GaussianBlur(mask, (0, 0), soft).astype(float) / 255


def strokes(rng, count: int) -> np.ndarray:
    """Coverage of loose curves, as of an underdrawing."""
    out = np.zeros((SIDE, SIDE), np.uint8)
    for _ in range(count):
        at = rng.integers(100, SIDE - 100, 2)
        axes = rng.integers(30, 180, 2)
        start = float(rng.uniform(0, 360))
        cv2.ellipse(out, [int(v) for v in at], [int(v) for v in axes], float(rng.uniform(0, 180)), start, start + float(rng.uniform(60, 300)), 255, 4, cv2.LINE_AA)
    return out / 255


def laid(page: np.ndarray, cover: np.ndarray, bgr) -> np.ndarray:
    return page * (1 - cover[..., None] * (1 - np.array(bgr)))


BLACK, PENCIL_BLUE, RED_INK = (0.1, 0.1, 0.1), (0.92, 0.72, 0.5), (0.2, 0.14, 0.72)


def damaged(ink: np.ndarray, sheet_of: np.ndarray, damage: str, rng) -> tuple[np.ndarray, np.ndarray]:
    """Coverage of the true ink, and the scan."""
    paper = np.ones((SIDE, SIDE, 3)) * np.array([0.86, 0.93, 0.97]) * light(rng)[..., None]
    noise = 3.0
    if damage == "shadow":
        page = laid(paper, ink, BLACK) * (1 - (1 - rng.uniform(0.38, 0.6)) * area(rng, rng.uniform(1, 8)))[..., None]
    elif damage == "marker":
        page = laid(laid(paper, area(rng, 1.0), [rng.uniform(0.4, 0.6)] * 3), ink, BLACK)
    elif damage == "faint-60":
        page = laid(np.ones_like(paper) * 0.94, ink, [1 - 60 / 240] * 3)
        noise = 2.5
    elif damage == "faint-50":
        page = laid(np.ones_like(paper) * 0.94, ink, [1 - 50 / 240] * 3)
        noise = 2.5
    elif damage == "faint-photo":
        page = laid(paper, ink, [0.74] * 3)
    elif damage == "pencil-shadow":
        # A phone's photograph of a pencil drawing without blacks, the hand's shadow on it.
        ink = 1 - sheet_of
        page = laid(paper, ink, [0.6] * 3) * (1 - 0.5 * area(rng, 6))[..., None]
    elif damage == "black":
        # Night: all black but the drawings, which stand light in it.
        room = cv2.dilate((ink > 0.5).astype(np.uint8), np.ones((9, 9), np.uint8))
        ink = np.maximum(1 - cv2.GaussianBlur(room, (0, 0), 1).astype(float), ink)
        page = laid(paper, ink, BLACK)
    elif damage == "desk":
        desk = np.array([0.2, 0.26, 0.34]) * (0.9 + 0.2 * cv2.GaussianBlur(rng.normal(0, 1, (SIDE, SIDE)), (0, 0), 3) * 6)[..., None]
        small = cv2.resize(laid(paper, ink, BLACK), None, fx=0.8, fy=0.8, interpolation=cv2.INTER_AREA)
        turn = cv2.getRotationMatrix2D((SIDE * 0.4, SIDE * 0.4), float(rng.uniform(-7, 7)), 1)
        turn[:, 2] += SIDE * 0.1 + rng.uniform(-40, 40, 2)
        on = cv2.warpAffine(np.ones(small.shape[:2]), turn, (SIDE, SIDE))[..., None]
        page = desk * (1 - on) + cv2.warpAffine(small, turn, (SIDE, SIDE)) * on
        ink = cv2.warpAffine(cv2.resize(ink, None, fx=0.8, fy=0.8, interpolation=cv2.INTER_AREA), turn, (SIDE, SIDE))
    elif damage == "red-ink":
        # Left half in red ink, right half in black: both were meant.
        left = ink * (np.arange(SIDE) < SIDE / 2)
        page = laid(laid(paper, left, RED_INK), ink - left, BLACK)
    elif damage == "blue-below":
        page = laid(laid(paper, strokes(rng, 60), PENCIL_BLUE), ink, BLACK)
    elif damage == "red-below":
        page = laid(laid(paper, strokes(rng, 60), (0.62, 0.6, 0.95)), ink, BLACK)
    else:
        raise SystemExit(f"no such damage: {damage}")
    page = cv2.GaussianBlur(page, (0, 0), 0.8) * 255
    page = np.clip(page + rng.normal(0, noise, page.shape[:2] + (1,)), 0, 255).astype(np.uint8)
    return ink, page[..., 1] if damage.startswith("faint-") and damage != "faint-photo" else page


def agreement(ink: np.ndarray, truth: np.ndarray) -> dict:
    near = np.ones((3, 3), np.uint8)
    return {
        "precision": float((ink & cv2.dilate(truth, near)).sum() / max(1, ink.sum())),
        "recall": float((truth & cv2.dilate(ink, near)).sum() / max(1, truth.sum())),
    }


def score(folder: Path) -> dict:
    from skimage.filters import threshold_otsu, threshold_sauvola

    truth = (cv2.imread(str(folder / "truth.png"), cv2.IMREAD_GRAYSCALE) < 128).astype(np.uint8)
    grey = cv2.imread(str(folder / "scan.png"), cv2.IMREAD_GRAYSCALE)
    found = {
        "ours": cv2.imread(str(folder / "ink.png"), cv2.IMREAD_GRAYSCALE) >= 128,
        "adaptive": cv2.adaptiveThreshold(grey, 1, cv2.ADAPTIVE_THRESH_GAUSSIAN_C, cv2.THRESH_BINARY_INV, 51, 12),
        "sauvola": grey < threshold_sauvola(grey, 51, k=0.2),
        "otsu": grey < threshold_otsu(grey),
    }
    return {name: agreement(np.asarray(mask).astype(np.uint8), truth) for name, mask in found.items()}


if __name__ == "__main__":
    if sys.argv[1] == "make":
        openmoji, group, seed, target = Path(sys.argv[2]), sys.argv[3], int(sys.argv[4]), Path(sys.argv[5])
        for i, damage in enumerate(sys.argv[6:]):
            rng = np.random.default_rng(seed + i)
            folder = target / damage
            folder.mkdir(parents=True, exist_ok=True)
            ink, page = damaged(*ink_of(openmoji, group, rng), damage, rng)
            cv2.imwrite(str(folder / "truth.png"), np.round(255 * (1 - ink)).astype(np.uint8))
            cv2.imwrite(str(folder / "scan.png"), page)
    else:
        print(json.dumps({damage: score(Path(sys.argv[2]) / damage) for damage in sys.argv[3:]}))
