"""What NumPy and SciPy say of planes of weather.

    weather.py direction PLANE WIDTH HEIGHT      PLANE: one byte a pixel
        Prints the angle of its streaks in degrees from straight down towards the right, -90..90: the direction in
        which the picture changes least, by the structure tensor (Förstner and Gülch 1987), over the whole plane.

    weather.py glow PICTURE GLOWING WIDTH HEIGHT THRESHOLD SIGMA      both: 8-bit RGB, raw
        Prints how far GLOWING differs from PICTURE with what is bright in it blurred by SciPy and screened over it:
        the largest difference, and the one that 99 % stay below; of 255.
"""

import sys

import numpy as np
from scipy.ndimage import gaussian_filter


def raw(name, *shape):
    return np.fromfile(name, np.uint8).reshape(shape).astype(float)


def direction(name, width, height):
    plane = gaussian_filter(raw(name, int(height), int(width)), 1)
    down, across = np.gradient(plane)
    xx, yy, xy = (across * across).sum(), (down * down).sum(), (across * down).sum()
    values, vectors = np.linalg.eigh([[xx, xy], [xy, yy]])
    x, y = vectors[:, 0]
    if y < 0:
        x, y = -x, -y
    print(np.degrees(np.arctan2(x, y)))


def glow(name, glowing, width, height, threshold, sigma):
    picture = raw(name, int(height), int(width), 3) / 255
    way = np.maximum(0, (picture.max(axis=2) - float(threshold)) / (1 - float(threshold)))
    bright = picture * (way * way * (3 - 2 * way))[:, :, None]
    soft = np.stack([gaussian_filter(bright[:, :, c], float(sigma), mode="nearest") for c in range(3)], axis=2)
    expected = 255 * (picture + soft - picture * soft)
    off = np.abs(raw(glowing, int(height), int(width), 3) - expected)
    print(off.max(), np.quantile(off, 0.99))


{"direction": direction, "glow": glow}[sys.argv[1]](*sys.argv[2:])
