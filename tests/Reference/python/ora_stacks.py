"""Random nested OpenRaster stacks, and how far a composed picture of each is from the formulas in floating point.

The formulas: W3C Compositing and Blending Level 1, sections 5, 9 and 10; plus-lighter of Level 2. The file: the OpenRaster
specification; a stack with an opacity or an operator of its own is made by itself first, whatever it says.

    ora_stacks.py make COUNT DIR    writes DIR/0.ora …
    ora_stacks.py score DIR         compares each DIR/N.png with DIR/N.ora; prints one JSON object

Steps count where the picture is visible: colour differences are weighed by alpha.
"""
import io
import json
import sys
import zipfile
from pathlib import Path
from xml.etree import ElementTree

import cv2
import numpy as np

WIDTH, HEIGHT, LAYERS = 61, 47, 12
MODES = ["src-over", "multiply", "screen", "overlay", "darken", "lighten", "color-dodge", "color-burn", "hard-light", "soft-light",
         "difference", "exclusion", "hue", "saturation", "color", "luminosity", "plus"]
LUM = np.array([0.3, 0.59, 0.11])


def png(rgba: np.ndarray) -> bytes:
    return cv2.imencode(".png", rgba[:, :, [2, 1, 0, 3]])[1].tobytes()


def make(seed: int, path: Path) -> None:
    rng = np.random.default_rng(seed)
    images = {}

    def layer() -> str:
        name = f"data/{len(images)}.png"
        rgba = rng.integers(0, 256, (HEIGHT, WIDTH, 4), dtype=np.uint8)
        kind = rng.integers(3)
        if kind == 0:
            rgba[:, :, 3] = 255
        elif kind == 1:
            rgba[:, :, 3][rng.random((HEIGHT, WIDTH)) < 0.4] = 0
        images[name] = png(rgba)
        return f'<layer src="{name}" composite-op="svg:{rng.choice(MODES)}" opacity="{rng.integers(2, 11) / 10}"/>'

    def stack(count: int, depth: int) -> str:
        parts = []
        while count > 0:
            inside = int(rng.integers(2, 5))
            if depth < 3 and count > inside and rng.random() < 0.35:
                own = f'composite-op="svg:{rng.choice(MODES)}" opacity="{rng.integers(3, 11) / 10}" isolation="isolate"' if rng.random() < 0.6 else ""
                parts.append(f"<stack {own}>{stack(inside, depth + 1)}</stack>")
                count -= inside
            else:
                parts.append(layer())
                count -= 1
        return "".join(parts)

    xml = f'<image w="{WIDTH}" h="{HEIGHT}"><stack>{stack(LAYERS, 0)}</stack></image>'
    with zipfile.ZipFile(path, "w") as archive:
        archive.writestr("mimetype", "image/openraster", zipfile.ZIP_STORED)
        archive.writestr("stack.xml", xml)
        for name, data in images.items():
            archive.writestr(name, data)


def with_lum(c: np.ndarray, l: np.ndarray) -> np.ndarray:
    c = c + (l - c @ LUM)[..., None]
    l = (c @ LUM)[..., None]
    n, x = c.min(-1, keepdims=True), c.max(-1, keepdims=True)
    with np.errstate(divide="ignore", invalid="ignore"):
        c = np.where(n < 0, l + (c - l) * l / (l - n), c)
        c = np.where(x > 1, l + (c - l) * (1 - l) / (x - l), c)
    return c


def with_sat(c: np.ndarray, s: np.ndarray) -> np.ndarray:
    low, span = c.min(-1, keepdims=True), np.ptp(c, -1)[..., None]
    with np.errstate(divide="ignore", invalid="ignore"):
        return np.where(span > 1e-4, (c - low) * s[..., None] / span, 0.0)


def blend(mode: str, b: np.ndarray, s: np.ndarray) -> np.ndarray:
    with np.errstate(divide="ignore", invalid="ignore"):
        hard = lambda top, under: np.where(top <= 0.5, 2 * top * under, 1 - 2 * (1 - top) * (1 - under))
        if mode == "src-over": return s
        if mode == "multiply": return b * s
        if mode == "screen": return b + s - b * s
        if mode == "overlay": return hard(b, s)
        if mode == "hard-light": return hard(s, b)
        if mode == "darken": return np.minimum(b, s)
        if mode == "lighten": return np.maximum(b, s)
        if mode == "color-dodge": return np.where(b <= 0, 0.0, np.where(s >= 1, 1.0, np.minimum(1, b / (1 - s))))
        if mode == "color-burn": return np.where(b >= 1, 1.0, np.where(s <= 0, 0.0, 1 - np.minimum(1, (1 - b) / s)))
        if mode == "difference": return np.abs(b - s)
        if mode == "exclusion": return b + s - 2 * b * s
        if mode == "soft-light":
            d = np.where(b <= 0.25, ((16 * b - 12) * b + 4) * b, np.sqrt(b))
            return np.where(s <= 0.5, b - (1 - 2 * s) * b * (1 - b), b + (2 * s - 1) * (d - b))
        sat = lambda c: np.ptp(c, -1)
        if mode == "hue": return with_lum(with_sat(s, sat(b)), b @ LUM)
        if mode == "saturation": return with_lum(with_sat(b, sat(s)), b @ LUM)
        if mode == "color": return with_lum(s, b @ LUM)
        if mode == "luminosity": return with_lum(b, s @ LUM)
    raise ValueError(mode)


def over(back, top, mode: str, opacity: float):
    (cb, ab), (cs, alpha) = back, top
    a = alpha * opacity
    if mode == "plus":
        out = np.minimum(1, a + ab)
        mixed = np.minimum(1, a[..., None] * cs + ab[..., None] * cb)
    else:
        out = a + ab - a * ab
        s, b = a[..., None], ab[..., None]
        mixed = s * (1 - b) * cs + s * b * blend(mode, cb, cs) + (1 - s) * b * cb
    with np.errstate(divide="ignore", invalid="ignore"):
        colour = np.where(out[..., None] > 0, mixed / out[..., None], cb)
    return np.where(a[..., None] > 0, colour, cb), np.where(a > 0, out, ab)


def compose(archive: zipfile.ZipFile, element, backdrop):
    clear = (np.zeros((HEIGHT, WIDTH, 3)), np.zeros((HEIGHT, WIDTH)))
    for child in reversed(list(element)):
        mode = child.get("composite-op", "svg:src-over").removeprefix("svg:")
        opacity = float(child.get("opacity", "1"))
        if child.tag == "layer":
            image = cv2.imdecode(np.frombuffer(archive.read(child.get("src")), np.uint8), cv2.IMREAD_UNCHANGED)
            if image.ndim == 2 or image.shape[2] == 3:
                image = cv2.cvtColor(image, cv2.COLOR_BGR2BGRA)
            backdrop = over(backdrop, (image[:, :, 2::-1] / 255.0, image[:, :, 3] / 255.0), mode, opacity)
        elif child.get("isolation") == "isolate" or mode != "src-over" or opacity < 1:
            backdrop = over(backdrop, compose(archive, child, clear), mode, opacity)
        else:
            backdrop = compose(archive, child, backdrop)
    return backdrop


def score(folder: Path) -> dict:
    steps = []
    for file in sorted(folder.glob("*.ora")):
        with zipfile.ZipFile(file) as archive:
            root = ElementTree.parse(io.BytesIO(archive.read("stack.xml"))).getroot().find("stack")
            clear = (np.zeros((HEIGHT, WIDTH, 3)), np.zeros((HEIGHT, WIDTH)))
            colour, alpha = compose(archive, root, clear)
        image = cv2.imread(str(file.with_suffix(".png")), cv2.IMREAD_UNCHANGED)
        if image.shape[2] == 3:
            image = cv2.cvtColor(image, cv2.COLOR_BGR2BGRA)
        apart = np.abs(image[:, :, 2::-1] - 255 * colour).max(-1) * alpha
        steps.append(np.maximum(apart, np.abs(image[:, :, 3] - 255 * alpha)).ravel())
    steps = np.concatenate(steps)
    return {"pixels": int(steps.size), "quantile": float(np.quantile(steps, 0.999)), "worst": float(steps.max())}


if __name__ == "__main__":
    if sys.argv[1] == "make":
        for number in range(int(sys.argv[2])):
            make(100 + number, Path(sys.argv[3]) / f"{number}.ora")
    else:
        print(json.dumps(score(Path(sys.argv[2]))))
