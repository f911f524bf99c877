"""The same work as compiled.bench.ts in the compiled scientific library: one name and the milliseconds a line."""

import time

import numpy
from scipy.interpolate import BSpline, make_interp_spline, make_lsq_spline


def median(act):
    for _ in range(3):
        act()
    times = []
    for _ in range(9):
        began = time.perf_counter()
        act()
        times.append(time.perf_counter() - began)
    return sorted(times)[4] * 1000


def clamped(count, degree):
    inner = numpy.arange(1, count - degree) / (count - degree)
    return numpy.concatenate([numpy.zeros(degree + 1), inner, numpy.ones(degree + 1)])


def points(count):
    k = numpy.arange(count)
    return numpy.stack([k * 10, 30 * numpy.sin(k * 1.3) + 10 * numpy.cos(k * 2.7)], axis=1)


cubic = BSpline(clamped(12, 3), points(12), 3)
quintic = BSpline(clamped(40, 5), points(40), 5)
many = numpy.linspace(0, 1, 1_000_000)
some = numpy.linspace(0, 1, 10_000)
given = points(1000)
chords = numpy.concatenate([[0], numpy.cumsum(numpy.hypot(*numpy.diff(given, axis=0).T))])
chords /= chords[-1]
samples = points(2000)
even = numpy.linspace(0, 1, 2000)
cubic_of_hundred = BSpline(clamped(100, 3), points(100), 3)


def insert_ten():
    spline = cubic_of_hundred
    for k in range(10):
        spline = spline.insert_knot((k + 0.37) / 11)
    return spline


for name, act in {
    "a million points of a cubic": lambda: cubic(many),
    "ten thousand points of a quintic": lambda: quintic(some),
    "first and second derivatives there": lambda: (quintic(some, 1), quintic(some, 2)),
    "interpolation of 1,000 points": lambda: make_interp_spline(chords, given, 3),
    "least squares, 2,000 points to 100 control points": lambda: make_lsq_spline(even, samples, clamped(100, 3), 3),
    "ten knots into 100 points": insert_ten,
}.items():
    print(f"{name}\t{median(act)}")
