"""How near one picture was brought to another, by scikit-image.

    likeness.py FROM TO GRADED WIDTH HEIGHT      all three: 8-bit RGB, raw, of one size

    Prints two shares of what was between FROM and TO and is still between GRADED and TO: of lightness, against what
    match_histograms makes of FROM, and of the mean a* and b* (CIE L*a*b*) of the darkest, middle and lightest third.
"""

import sys

import numpy as np
from skimage.color import rgb2lab
from skimage.exposure import match_histograms


def lab(name, width, height):
    return rgb2lab(np.fromfile(name, np.uint8).reshape(int(height), int(width), 3) / 255)


def thirds(picture):
    order = np.argsort(picture[:, :, 0], axis=None)
    colours = picture.reshape(-1, 3)[:, 1:]
    return np.array([colours[part].mean(axis=0) for part in np.array_split(order, 3)])


def main(source, target, graded, width, height):
    source, target, graded = (lab(name, width, height) for name in (source, target, graded))
    matched = match_histograms(source[:, :, 0], target[:, :, 0])
    lightness = np.abs(graded[:, :, 0] - matched).mean() / np.abs(source[:, :, 0] - matched).mean()
    wanted = thirds(target)
    colours = np.abs(thirds(graded) - wanted).sum() / np.abs(thirds(source) - wanted).sum()
    print(lightness, colours)


main(*sys.argv[1:])
