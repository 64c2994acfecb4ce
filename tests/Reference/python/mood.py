"""Lays a mood over a picture in floating point, by the formulas of the file format and with SciPy for curve and blur.

    mood.py PICTURE MOOD.json GRADED     PICTURE and GRADED: 8-bit RGB, raw, with WIDTH and HEIGHT behind

Prints for the graded picture, held against that: the largest difference, and the one that 99 % stay below; of 255.
"""

import json
import sys

import numpy as np
from scipy.interpolate import PchipInterpolator
from scipy.ndimage import gaussian_filter

TO_LMS = np.array([[0.4122214708, 0.5363325363, 0.0514459929], [0.2119034982, 0.6806995451, 0.1073969566], [0.0883024619, 0.2817188376, 0.6299787005]])
TO_LAB = np.array([[0.2104542553, 0.793617785, -0.0040720468], [1.9779984951, -2.428592205, 0.4505937099], [0.0259040371, 0.7827717662, -0.808675766]])


def decoded(v):
    return np.where(v <= 0.04045, v / 12.92, ((np.maximum(v, 0.04045) + 0.055) / 1.055) ** 2.4)


def encoded(v):
    a = np.abs(v)
    return np.sign(v) * np.where(a <= 0.0031308, 12.92 * a, 1.055 * np.maximum(a, 0.0031308) ** (1 / 2.4) - 0.055)


def to_lab(rgb):
    return np.cbrt(decoded(rgb) @ TO_LMS.T) @ TO_LAB.T


def from_lab(lab):
    return encoded((lab @ np.linalg.inv(TO_LAB).T) ** 3 @ np.linalg.inv(TO_LMS).T)


def fitted(lab):
    """Of the same lightness and hue, with as much chroma as sRGB can show, within half a step of 8 bits."""
    slack = 0.5 / 255
    shown = lambda share: np.all((rgb := from_lab(lab * np.stack([np.ones_like(share), share, share], -1))) > -slack, -1) & np.all(rgb < 1 + slack, -1)
    low, high = np.zeros(lab.shape[:-1]), np.ones(lab.shape[:-1])
    low = np.where(shown(high), 1.0, low)
    for _ in range(30):
        middle = (low + high) / 2
        fits = shown(middle)
        low, high = np.where(fits, np.maximum(low, middle), low), np.where(fits, high, middle)
    return np.clip(from_lab(lab * np.stack([np.ones_like(low), low, low], -1)), 0, 1)


def colour(text):
    return np.array([int(text[i : i + 2], 16) for i in (1, 3, 5)]) / 255


def channels(layer, rgb, value):
    out = rgb.copy()
    for i in {"all": (0, 1, 2), "red": (0,), "green": (1,), "blue": (2,)}[layer.get("channel", "all")]:
        out[..., i] = value(rgb[..., i])
    return out


def levels(layer, rgb):
    black, white, low, high = (layer.get(k, d) / 255 for k, d in (("black", 0), ("white", 255), ("outBlack", 0), ("outWhite", 255)))
    return channels(layer, rgb, lambda v: low + (high - low) * np.clip((v - black) / (white - black), 0, 1) ** (1 / layer.get("gamma", 1)))


def curve(layer, rgb):
    x, y = np.array(layer["points"]).T
    pchip = PchipInterpolator(x, y)
    return channels(layer, rgb, lambda v: pchip(np.clip(v, x[0], x[-1])))


def faded(outside, soft):
    return np.where(outside <= 0, 1.0, np.clip(1 - outside / max(soft, 1e-9), 0, 1))


def shift(layer, rgb):
    lab = to_lab(rgb)
    turn = np.radians(layer.get("hue", 0))
    a, b = lab[..., 1], lab[..., 2]
    moved = np.stack([np.clip(lab[..., 0] + layer.get("lightness", 0), 0, 1), layer.get("chroma", 1) * (a * np.cos(turn) - b * np.sin(turn)), layer.get("chroma", 1) * (a * np.sin(turn) + b * np.cos(turn))], -1)
    weight = np.ones(rgb.shape[:-1])
    if layer.get("tones"):
        t = layer["tones"]
        weight *= faded(np.maximum(t["from"] - lab[..., 0], lab[..., 0] - t["to"]), t["soft"])
    if layer.get("hues"):
        h = layer["hues"]
        span, after = (h["to"] - h["from"]) % 360, (np.degrees(np.arctan2(b, a)) - h["from"]) % 360
        weight *= np.where(after <= span, 1.0, faded(np.minimum(after - span, 360 - after), h["soft"])) * np.minimum(1, np.hypot(a, b) / 0.02)
    return rgb + (fitted(moved) - rgb) * weight[..., None]


def balance(layer, rgb):
    d, m, l = (np.array(layer.get(k, [0, 0, 0])) for k in ("darks", "middle", "lights"))
    return np.clip(rgb + d * (1 - rgb) ** 2 + m * 2 * rgb * (1 - rgb) + l * rgb**2, 0, 1)


def gradient(layer, rgb):
    height, width = rgb.shape[:2]
    y, x = np.mgrid[0:height, 0:width] + 0.5
    fx, fy, tx, ty = layer["from"][0] * width, layer["from"][1] * height, layer["to"][0] * width, layer["to"][1] * height
    ax, ay = tx - fx, ty - fy
    at = np.hypot(x - fx, y - fy) / np.hypot(ax, ay) if layer["form"] == "round" else ((x - fx) * ax + (y - fy) * ay) / (ax * ax + ay * ay)
    places = np.array([s["at"] for s in layer["stops"]])
    alphas = np.array([s["alpha"] for s in layer["stops"]])
    parts = np.array([colour(s["colour"]) for s in layer["stops"]])
    parts = to_lab(parts) if layer["space"] == "oklab" else parts
    at = np.clip(at, 0, 1)
    alpha = np.interp(at, places, alphas)
    mixed = np.stack([np.interp(at, places, parts[:, i] * alphas) for i in range(3)], -1) / np.maximum(alpha, 1e-9)[..., None]
    return np.clip(from_lab(mixed) if layer["space"] == "oklab" else mixed, 0, 1), alpha


def soft_light(b, s):
    d = np.where(b <= 0.25, ((16 * b - 12) * b + 4) * b, np.sqrt(b))
    return np.where(s <= 0.5, b - (1 - 2 * s) * b * (1 - b), b + (2 * s - 1) * (d - b))


MODES = {
    "normal": lambda b, s: s,
    "multiply": lambda b, s: b * s,
    "screen": lambda b, s: b + s - b * s,
    "overlay": lambda b, s: np.where(b <= 0.5, 2 * b * s, 1 - 2 * (1 - b) * (1 - s)),
    "soft-light": soft_light,
}
ALTER = {"levels": levels, "curve": curve, "shift": shift, "balance": balance}


def graded(mood, rgb):
    for layer in mood["layers"]:
        alpha = np.ones(rgb.shape[:-1])
        kind = layer["kind"]
        if kind == "wash":
            source = np.broadcast_to(colour(layer["colour"]), rgb.shape)
        elif kind == "gradient":
            source, alpha = gradient(layer, rgb)
        elif kind == "blur":
            source = np.stack([gaussian_filter(rgb[..., i], layer["sigma"], mode="nearest") for i in range(3)], -1)
        else:
            source = ALTER[kind](layer, rgb)
        blended = MODES[layer.get("mode", "normal")](rgb, source)
        rgb = rgb + (blended - rgb) * (alpha * layer.get("opacity", 1))[..., None]
    return rgb


picture, mood, theirs, width, height = sys.argv[1:]
read = lambda path: np.fromfile(path, np.uint8).reshape(int(height), int(width), 3)
expected = 255 * graded(json.load(open(mood)), read(picture) / 255)
apart = np.abs(read(theirs) - expected)
print(apart.max(), np.percentile(apart, 99))
