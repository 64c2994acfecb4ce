"""Drawn patterns, whose many ends and corners no knife made: what learns where lines were cut is shown these, too.

Each function gives the inside of an SVG group of 72 × 72 units, of lines as wide as the sheet's.
"""
import numpy as np

# No two lines come nearer: on a sheet 4 px apart, they would run into each other, and into what was cut.
LINE, APART = 0.9, 0.9


def path(points, closed: bool = False) -> str:
    return f'<path fill="none" stroke="#000" d="M{" L".join(f"{x:.2f} {y:.2f}" for x, y in points)}{"Z" if closed else ""}"/>'


def frame(rng) -> str:
    """Something closed around it, that a pattern is a drawing of something and can leak."""
    return f'<rect x="6" y="6" width="60" height="60" rx="{rng.uniform(0, 20):.1f}" fill="none" stroke="#000"/>'


def screen_tone(rng) -> str:
    radius = rng.uniform(0.25, 0.9)
    pitch, turn = 2 * radius + rng.uniform(APART, 2.2), rng.uniform(0, np.pi / 2)
    cos, sin = np.cos(turn), np.sin(turn)
    reach = int(14 / pitch)
    places = [(36 + pitch * (i * cos - j * sin), 36 + pitch * (j * cos + i * sin)) for i in range(-reach, reach + 1) for j in range(-reach, reach + 1)]
    return frame(rng) + "".join(f'<circle cx="{x:.2f}" cy="{y:.2f}" r="{radius:.2f}"/>' for x, y in places)


def meander(rng) -> str:
    """A band that turns in and back again, at right angles."""
    step, rows = rng.uniform(LINE + APART, 5), int(rng.integers(1, 4))
    turn = [(0, 0), (0, 4), (3, 4), (3, 2), (2, 2), (2, 3), (1, 3), (1, 1), (4, 1), (4, 0)] if rng.integers(2) else [(0, 0), (0, 3), (2, 3), (2, 0), (4, 0)]
    bands = [[(10 + step * (4 * k + x), 14 + row * 16 + step * y) for k in range(int(50 / step / 4)) for x, y in turn] for row in range(rows)]
    return frame(rng) + "".join(map(path, bands))


def zigzag(rng) -> str:
    step, high = rng.uniform(LINE + APART, 5), rng.uniform(1.5, 6)
    return frame(rng) + "".join(path([(10 + k * step, 14 + row * (high + 3) + high * (k % 2)) for k in range(int(50 / step))]) for row in range(int(rng.integers(1, 5))))


def hatching(rng) -> str:
    apart, slant, ragged = rng.uniform(LINE + APART, 4), rng.uniform(-1, 1), rng.uniform(0, 3)
    starts = [(14 + k * apart, 18 + rng.uniform(-ragged, ragged)) for k in range(int(36 / apart))]
    return frame(rng) + "".join(path([(x, y), (x + slant * 12, y + rng.uniform(14, 24))]) for x, y in starts)


def tufts(rng) -> str:
    """Grass and feathers: strokes from one root, that end free."""
    def tuft(x, y):
        return "".join(path([(x, y), (x + rng.uniform(-1.5, 1.5) + 2.2 * (k - 1.5), y - rng.uniform(3, 7))]) for k in range(4))
    return frame(rng) + "".join(tuft(rng.uniform(14, 58), rng.uniform(20, 60)) for _ in range(14))


def bricks(rng) -> str:
    """Single stones and their corners, drawn here and there on a wall."""
    wide, high = rng.uniform(6, 11), rng.uniform(3, 5)
    corner = lambda x, y: path([(x, y + high), (x, y), (x + wide * rng.uniform(0.4, 0.9), y)])
    return frame(rng) + "".join(corner(rng.uniform(10, 54), rng.uniform(10, 58)) for _ in range(12))


def tiles(rng) -> str:
    """Squares set apart by a slit."""
    side, slit = rng.uniform(3, 8), rng.uniform(LINE + APART, 3.5)
    count = int(40 / (side + slit))
    return frame(rng) + "".join(
        path([(14 + i * (side + slit) + x * side, 14 + j * (side + slit) + y * side) for x, y in ((0, 0), (1, 0), (1, 1), (0, 1))], True)
        for i in range(count) for j in range(count)
    )


PATTERNS = (screen_tone, meander, zigzag, hatching, tufts, bricks, tiles)


def drawing(rng) -> str:
    return PATTERNS[rng.integers(len(PATTERNS))](rng)
